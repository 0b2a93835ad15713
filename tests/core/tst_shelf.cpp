// SPDX-License-Identifier: GPL-3.0-or-later
// The shelf: what is put on it comes out whole in another project, and a fault leaves it as it was.
#include <QTemporaryDir>
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/project/shelf.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestShelf : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;
    std::string folder(const char* name) const { return dir_.filePath(name).toStdString(); }

  private Q_SLOTS:
    void anEmptyShelfIsEmpty() {
        Disk disk;
        const Document held = Shelf(disk, folder("none")).read();
        QVERIFY(held.images->empty() && held.faces->empty());
        QVERIFY(!pathExists(disk, folder("none")));
    }

    void picturesComeOutWithTheirRecipes() {
        Disk disk;
        const Document from = openKiln();
        QVERIFY(Shelf(disk, folder("pictures")).put(*from.images, {}).has_value());
        const Document held = Shelf(disk, folder("pictures")).read();
        QCOMPARE(held.images->size(), from.images->size());
        Document other = makeDocument();
        other = addImages(other, {*held.image("flame")});
        const Image &before = *from.image("flame"), &after = *other.image("flame");
        QVERIFY(after.recipe == before.recipe);
        QVERIFY(after.original->text() == before.original->text());
    }

    void facesComeOutWithTheirSizes() {
        Disk disk;
        const Document from = openKiln();
        QVERIFY(Shelf(disk, folder("faces")).put({}, *from.faces).has_value());
        const Document held = Shelf(disk, folder("faces")).read();
        std::string name;
        const Document other = takeFace(makeDocument(), *held.face("bold"), &name);
        QCOMPARE(name, std::string("bold"));
        QVERIFY(other.face("bold")->sizes == from.face("bold")->sizes);
        QVERIFY(other.face("bold")->settings(54).evenDigits);
        // Taken twice, it gets a name of its own.
        const Document twice = takeFace(other, *held.face("bold"), &name);
        QCOMPARE(name, std::string("bold_2"));
        QVERIFY(twice.faces->at(0).file != twice.faces->at(1).file);
    }

    void standInsThatAreNotThereAreForgotten() {
        Face face = *openKiln().face("bold");
        face.defaults.fallback = "regular";
        QVERIFY(takeFace(makeDocument(), face).faces->front().defaults.fallback.empty());
        QCOMPARE(takeFace(removeFace(openKiln(), "bold"), face).face("bold")->defaults.fallback,
                 std::string("regular"));
    }

    void theSameNameIsReplaced() {
        Disk disk;
        Image pot = *openKiln().image("pot");
        Shelf shelf(disk, folder("again"));
        QVERIFY(shelf.put(std::span(&pot, 1), {}).has_value());
        pot.recipe.width = 21;
        QVERIFY(shelf.put(std::span(&pot, 1), {}).has_value());
        const Document held = shelf.read();
        QCOMPARE(held.images->size(), size_t{1});
        QCOMPARE(held.images->front().recipe.width, 21);
        const std::string name = "pot";
        QVERIFY(shelf.remove(std::span(&name, 1), {}).has_value());
        QVERIFY(shelf.read().images->empty());
        QVERIFY(Folder::open(disk, folder("again/images"))->list()->empty());
    }

    void aFaultLeavesItAsItWas() {
        MemoryDisk disk;
        const Document from = openKiln();
        Shelf shelf(disk, "/full");
        QVERIFY(shelf.put(std::span(from.image("pot"), 1), {}).has_value());
        disk.fault = MemoryDisk::Fault::Full;
        disk.failAt = disk.calls + 1;
        const auto put = shelf.put(std::span(from.image("glaze"), 1), {});
        QVERIFY(!put);
        QVERIFY(put.error().reason.find("full") != std::string::npos);
        disk.failAt = 0;
        const Document held = Shelf(disk, "/full").read();
        QCOMPARE(held.images->size(), size_t{1});
        QVERIFY(held.image("pot"));
    }
};

GORSEFINCH_TEST(TestShelf, Nothing)
#include "tst_shelf.moc"
