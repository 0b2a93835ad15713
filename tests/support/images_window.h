// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QImage>
#include <QListView>
#include <QPushButton>
#include <QtTest>

#include "app/images/picture_view.h"
#include "tests/support/window.h"

// What tests of the Images station have in common.
namespace support {

inline QImage photo(int w, int h) {
    QImage image(w, h, QImage::Format_RGB32);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            image.setPixel(x, y, qRgb(x * 255 / w, y * 255 / h, (x + y) % 256));
    return image;
}

class OnImages : protected OnWindow {
  protected:
    gorsefinch::app::Session& session() { return open_->session; }
    const gorsefinch::Image* image(const char* name) { return session().document().image(name); }
    QWidget* station() {
        return open_->find<gorsefinch::app::PictureView>("picture_view")
            ->parentWidget()
            ->parentWidget()
            ->parentWidget();
    }
    QListView* list() { return open_->find<QListView>("images"); }
    void bring(const QString& file, const QByteArray& bytes) {
        QFile out(open_->path(file));
        QVERIFY(out.open(QIODevice::WriteOnly) && out.write(bytes) == bytes.size());
        out.close();
        drop(station(), {open_->path(file)});
    }
    void bringPhoto(const QString& file, int w = 200, int h = 120) {
        QVERIFY(photo(w, h).save(open_->path(file)));
        drop(station(), {open_->path(file)});
    }
    static void choose(QComboBox* box, const QString& words) {
        box->setCurrentIndex(box->findText(words, Qt::MatchStartsWith));
        Q_EMIT box->activated(box->currentIndex());
    }
    // The answer to the question that comes next.
    static void answer(const char* button) {
        QTimer::singleShot(0, qApp, [button] {
            QTRY_VERIFY(QApplication::activeModalWidget());
            QTest::mouseClick(QApplication::activeModalWidget()->findChild<QPushButton*>(button), Qt::LeftButton);
        });
    }
};

}  // namespace support
