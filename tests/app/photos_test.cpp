// Photos in the window: dropped, shown small and large, taken out; what is no picture is refused.
#include "app/frame/photos.h"

#include "app/frame/workshop_files.h"
#include "app/stage_panel.h"
#include "open_window.h"
#include "store/bundle.h"

#include <QAbstractButton>
#include <QBuffer>
#include <QDialog>
#include <QFile>
#include <QImage>
#include <QSignalSpy>

#include <gtest/gtest.h>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using tests::OpenWindow;

struct AtIntake : ::testing::Test {
    OpenWindow open;
    AtIntake() { open.bench().goTo("intake"), open.settle(); }
    QString drawn(const char* name, QSize size, QColor colour) {
        QImage image(size, QImage::Format_RGB32);
        image.fill(colour);
        image.setText(u"Comment"_s, u"Pier Lane 4"_s);
        EXPECT_TRUE(image.save(open.file(name)));
        return open.file(name);
    }
    bool dropped(const QString& path) {
        const std::size_t before = photos().size();
        EXPECT_TRUE(open.find<StagePanel>(u"lookPanel"_s)->takeFile(path));
        return QTest::qWaitFor([&] { return photos().size() > before; }, 5000);
    }
    [[nodiscard]] const std::vector<core::Photo>& photos() {
        return open.bench().job().intake.photos;
    }
    std::vector<QAbstractButton*> prints() {
        std::vector<QAbstractButton*> shown;
        for (auto* each : open.find<QWidget>(u"album"_s)->findChildren<QAbstractButton*>()) {
            if (each->isVisible()) shown.push_back(each);
        }
        return shown;
    }
    static bool shows(QWidget* widget, QColor colour) {
        return QTest::qWaitFor(
            [&] {
                const QImage seen = widget->grab().toImage();
                const QColor there = seen.pixelColor(seen.width() / 2, seen.height() / 3);
                return std::abs(there.red() - colour.red()) < 12 &&
                       std::abs(there.green() - colour.green()) < 12 &&
                       std::abs(there.blue() - colour.blue()) < 12;
            },
            5000);
    }
};

TEST_F(AtIntake, APictureThatIsDroppedIsKeptMadeSmallerAndShown) {
    ASSERT_TRUE(dropped(drawn("wide.jpg", {5000, 2500}, QColor(200, 30, 30))));
    const auto kept = open.bench().workshop()->photo(photos().at(0).sum);
    ASSERT_TRUE(kept.has_value());
    const QImage image = QImage::fromData(QByteArray::fromStdString(*kept));
    EXPECT_EQ(image.size(), QSize(2048, 1024));
    ASSERT_EQ(prints().size(), 2U);
    EXPECT_TRUE(shows(prints()[1], QColor(200, 30, 30)));
    // The second comes as the first did.
    ASSERT_TRUE(dropped(drawn("small.png", {300, 200}, QColor(30, 160, 30))));
    ASSERT_EQ(prints().size(), 3U);
    EXPECT_TRUE(shows(prints()[2], QColor(30, 160, 30)));
    const auto second = open.bench().workshop()->photo(photos().at(1).sum);
    EXPECT_FALSE(second->find("Pier Lane") != std::string::npos);  // what it told of the owner
}
TEST_F(AtIntake, AnExportTakesThePhotosAlongOrSaysThatItCouldNot) {
    ASSERT_TRUE(dropped(drawn("a.png", {40, 40}, Qt::blue)));
    auto* files = open.window().findChild<WorkshopFiles*>();
    ASSERT_NE(files, nullptr);
    QSignalSpy ended(files, &WorkshopFiles::exportEnded);
    files->exportTo(open.file("job.zip"));
    // It may have ended before anybody waits.
    ASSERT_TRUE(QTest::qWaitFor([&] { return ended.size() == 1; }, 20000));
    EXPECT_TRUE(ended[0][1].toBool());
    QFile written(open.file("job.zip"));
    ASSERT_TRUE(written.open(QIODevice::ReadOnly));
    const auto bundle = store::bundleFromBytes(written.readAll().toStdString());
    ASSERT_TRUE(bundle.has_value());
    EXPECT_EQ(bundle->job.name, open.bench().job().name);
    ASSERT_EQ(bundle->photos.size(), 1U);
    EXPECT_EQ(bundle->photos.begin()->second, *open.bench().workshop()->photo(photos()[0].sum));

    files->exportTo(open.file("no such folder/job.zip"));
    ASSERT_TRUE(QTest::qWaitFor([&] { return ended.size() == 2; }, 20000));
    EXPECT_FALSE(ended[1][1].toBool());
}
TEST_F(AtIntake, AStepThatIsPressedIsWhatThePhotoIsOf) {
    open.jot(u"off rear screw"_s);
    const std::string step = open.bench().job().intake.takenOff.back().id;
    open.bench().pointAt(step);
    open.settle();
    ASSERT_TRUE(dropped(drawn("a.png", {40, 40}, Qt::blue)));
    EXPECT_EQ(photos().at(0).of, step);
    EXPECT_EQ(prints().at(1)->accessibleName(), u"step 1, rear screw"_s);
}
TEST_F(AtIntake, APrintIsShownLargeAndTakenOutAgain) {
    ASSERT_TRUE(dropped(drawn("a.png", {400, 400}, QColor(30, 30, 200))));
    ASSERT_TRUE(dropped(drawn("b.png", {400, 400}, QColor(200, 200, 30))));
    QTest::mouseClick(prints()[1], Qt::LeftButton);
    auto* large = open.find<QDialog>(u"largePhoto"_s);
    ASSERT_NE(large, nullptr);
    EXPECT_TRUE(shows(large, QColor(30, 30, 200)));
    QTest::keyClick(large, Qt::Key_Right);
    EXPECT_TRUE(shows(large, QColor(200, 200, 30)));
    QTest::keyClick(large, Qt::Key_Right);  // there is no further one
    EXPECT_TRUE(shows(large, QColor(200, 200, 30)));
    QTest::keyClick(large, Qt::Key_Escape);
    open.settle();
    const std::string gone = photos()[0].sum;
    QTest::keyClick(prints()[1], Qt::Key_Delete);
    open.settle();
    ASSERT_EQ(photos().size(), 1U);
    EXPECT_NE(photos()[0].sum, gone);
    EXPECT_TRUE(open.bench().undo());
    EXPECT_EQ(photos().size(), 2U);
}
TEST_F(AtIntake, WhatIsNoPictureIsRefusedWithItsName) {
    QString said;
    QObject::connect(open.window().findChild<Photos*>(), &Photos::failed,
                     [&](const QString& sentence) { said = sentence; });
    tests::Scratch::write(open.file("bad.jpg"), "nonsense");
    EXPECT_TRUE(open.find<StagePanel>(u"lookPanel"_s)->takeFile(open.file("bad.jpg")));
    EXPECT_TRUE(QTest::qWaitFor([&] { return !said.isEmpty(); }, 5000));
    EXPECT_EQ(said, u"bad.jpg is no picture that can be read."_s);
    EXPECT_TRUE(photos().empty());
    // One that would take the memory of the machine: 10000 by 8000 in a few kilobytes.
    QImage wide(10000, 8000, QImage::Format_Mono);
    wide.fill(1);
    ASSERT_TRUE(wide.save(open.file("wide.png")));
    said.clear();
    EXPECT_TRUE(open.find<StagePanel>(u"lookPanel"_s)->takeFile(open.file("wide.png")));
    EXPECT_TRUE(QTest::qWaitFor([&] { return !said.isEmpty(); }, 5000));
    EXPECT_EQ(said, u"wide.png is too large for a photo: 10000 by 8000."_s);
    EXPECT_TRUE(photos().empty());
    EXPECT_FALSE(open.find<StagePanel>(u"lookPanel"_s)->takeFile(open.file("notes.txt")));
}
TEST_F(AtIntake, ManyPhotosAreEachReadOnce) {
    QStringList lines;
    for (int i = 0; i < 150; ++i) {
        QImage image(4, 4, QImage::Format_RGB32);
        image.fill(QColor(i, 255 - i, 90));
        QByteArray bytes;
        QBuffer buffer(&bytes);
        ASSERT_TRUE(image.save(&buffer, "png"));
        lines += u"photo sum "_s +
                 QString::fromStdString(*open.bench().workshop()->keepPhoto(bytes.toStdString()));
    }
    int told = 0;
    QObject::connect(open.window().findChild<Photos*>(), &Photos::ready, [&] { ++told; });
    ASSERT_TRUE(open.bench().takeAll(lines));
    ASSERT_EQ(prints().size(), 151U);
    // Once they are there nothing is asked for again.
    EXPECT_TRUE(QTest::qWaitFor([&] { return told > 0; }, 5000));
    QTest::qWait(600);
    const int settled = told;
    QTest::qWait(600);
    EXPECT_EQ(told, settled);
    EXPECT_LE(settled, 5);
}
TEST_F(AtIntake, APhotoThatIsNotInTheFileIsSaidToBeMissing) {
    open.jot(u"photo sum "_s + QString(64, u'd'));
    ASSERT_EQ(prints().size(), 2U);
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return !prints()[1]->toolTip().contains(u"model"_s); }, 5000));
    EXPECT_EQ(prints()[1]->toolTip(), u"This photo is not in the workshop file."_s);
}

}  // namespace
}  // namespace glimmet::app
