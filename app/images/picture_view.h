// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QTimer>
#include <QWidget>

#include "core/image/picture.h"
#include "core/image/shape.h"

namespace gorsefinch::app {

class ImageEditor;
class Session;

// The original and the result in the panel's pixels, one over the other with a line between them that is dragged
// across, or side by side; or the whole original, on which the crop is drawn.
class PictureView : public QWidget {
    Q_OBJECT

  public:
    enum class Mode { Split, Beside, Crop };

    PictureView(Session& session, ImageEditor& editor, QWidget* parent = nullptr);
    void setMode(Mode mode);
    // Back to how it looked before the crop was drawn.
    void endCrop();
    Mode mode() const { return mode_; }
    void setGridShown(bool shown);
    void setOnPanel(bool on);
    void setAspectKept(bool kept) { aspectKept_ = kept; }
    void setPlaying(bool playing);
    bool isPlaying() const { return player_.isActive(); }
    void setFrame(int frame);
    int frame() const { return frame_; }
    void zoomBy(int steps);
    // The largest whole number at which all is seen.
    void zoomToFit();
    int zoom() const { return zoom_; }

  Q_SIGNALS:
    // What a large picture is at, and how much of it is done, 0 to 1.
    void progressShown(const QString& words, double done);
    void cropDrawn(const gorsefinch::PixelBox& box);
    // Escape or Return: no more is to be drawn.
    void cropFinished();
    void frameShown(int frame);
    void playingChanged(bool playing);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    struct Places {
        QRect source, result;  // on the widget; equal in split mode
    };
    Places places() const;
    void takeShown();
    const Picture& sourceFrame(const Original& original) const;
    double pixelsOfOriginal() const;
    void makeSource();
    void nextFrame();
    void paintSplit(QPainter& painter);
    void paintBeside(QPainter& painter);
    void paintCrop(QPainter& painter);
    void paintProgress(QPainter& painter) const;
    void paintGround(QPainter& painter, const QRect& picture) const;
    void paintGrid(QPainter& painter, const QRect& picture) const;
    void paintTag(QPainter& painter, const QPoint& corner, const QString& words, Qt::Alignment where,
                  bool warn = false) const;
    void paintTags(QPainter& painter) const;
    QString pointerWords() const;
    QString sourceWords() const;
    QString resultWords() const;
    QRectF wholeOriginal() const;
    QRectF cropOnWidget() const;
    void moveCrop(const QPointF& to);

    Session& session_;
    ImageEditor& editor_;
    Mode mode_ = Mode::Split, beforeCrop_ = Mode::Split;
    bool gridShown_ = true, onPanel_ = false, aspectKept_ = false, zoomIsFit_ = true;
    int zoom_ = 1, frame_ = 0;
    double line_ = 0.5;  // where the line between source and result is, of the picture's width
    QPoint pan_;
    QImage result_;  // the frame, one pixel a pixel
    QImage source_;  // what the recipe's shape makes of the original at the size on the widget
    QImage whole_;   // the frame before the recipe
    QPoint pointer_{-1, -1};
    enum class Drag { None, Line, Pan, Crop } drag_ = Drag::None;
    QPoint dragFrom_, panFrom_;
    PixelBox crop_, cropFrom_;
    int cropEdges_ = 0;  // which edges of the crop are dragged: 1 left, 2 top, 4 right, 8 bottom, 16 all of it
    QTimer player_;
};

}  // namespace gorsefinch::app
