#include "app/frame/shelf/shelf_scan.h"
#include "app/frame/shelf/shelf_view.h"
#include "app/frame/shelf/silhouette.h"
#include "open_window.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <QListView>
#include <QMimeData>
#include <QSignalSpy>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using tests::OpenWindow;

TEST(Shelf, ShowsEveryJobWithWhatToDoNext) {
    OpenWindow app;
    const auto* list = app.find<QListView>(u"shelfList"_s);
    ASSERT_EQ(list->model()->rowCount(), 4);
    for (int wait = 0;
         wait < 500 && !list->model()->index(2, 0).data(ShelfModel::KnownRole).toBool(); ++wait) {
        QTest::qWait(20);
    }
    const QModelIndex tern = list->model()->index(2, 0);
    EXPECT_EQ(tern.data(ShelfModel::StateRole).toInt(), static_cast<int>(core::State::Ask));
    EXPECT_TRUE(tern.data(ShelfModel::NextRole).toString().contains(u"where the decoder lies"_s));
}
TEST(Shelf, OpensTheJobThatIsPressed) {
    OpenWindow app;
    auto* list = app.find<QListView>(u"shelfList"_s);
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {},
                      list->visualRect(list->model()->index(2, 0)).center());
    OpenWindow::settle();
    EXPECT_EQ(app.bench().job().name, "\"Tern\"");
}
TEST(Shelf, FindsByAnyWordAndOpensWithReturn) {
    OpenWindow app;
    app.press(Qt::Key_F, Qt::ControlModifier);
    auto* search = app.find<QLineEdit>(u"search"_s);
    QTest::keyClicks(search, u"connector"_s);
    EXPECT_EQ(app.find<QListView>(u"shelfList"_s)->model()->rowCount(), 1);
    QTest::keyClick(search, Qt::Key_Return);
    OpenWindow::settle();
    EXPECT_EQ(app.bench().job().name, "\"Tern\"");
    QTest::keyClicks(search, u" zzz"_s);
    EXPECT_EQ(app.find<QListView>(u"shelfList"_s)->model()->rowCount(), 0);
    search->clear();
    EXPECT_EQ(app.find<QListView>(u"shelfList"_s)->model()->rowCount(), 4);
}
std::vector<std::string> namesOn(const QListView& list) {
    std::vector<std::string> all;
    for (int row = 0; row < list.model()->rowCount(); ++row)
        all.push_back(list.model()->index(row, 0).data().toString().toStdString());
    return all;
}
TEST(Shelf, StandsInTheOrderThatItWasDraggedTo) {
    OpenWindow app;
    auto* list = app.find<QListView>(u"shelfList"_s);
    const auto came = namesOn(*list);
    ASSERT_EQ(came.size(), 4U);
    const auto drag = [&](int from, int before) {
        QAbstractItemModel& model = *list->model();
        const std::unique_ptr<QMimeData> data(model.mimeData({model.index(from, 0)}));
        model.dropMimeData(data.get(), Qt::MoveAction, before, 0, {});
        OpenWindow::settle();
    };
    const core::Job open = app.bench().job();
    drag(3, 1);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[3], came[1], came[2]}));
    EXPECT_EQ(app.bench().job(), open);  // it moved, nothing else did
    EXPECT_FALSE(app.bench().undoable().undo.has_value());
    drag(3, 0);  // nothing stands before the workshop itself
    drag(1, 1);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[3], came[1], came[2]}));
    drag(1, 4);  // behind the last: as they came, and nothing is kept
    EXPECT_EQ(namesOn(*list), came);
    EXPECT_TRUE(app.bench().workshopRecord().shelfOrder.empty());
    EXPECT_FALSE(list->model()->flags(list->model()->index(0, 0)) & Qt::ItemIsDragEnabled);
    EXPECT_TRUE(list->model()->flags(list->model()->index(1, 0)) & Qt::ItemIsDragEnabled);
}
TEST(Shelf, IsOrderedByKeyAndByLineAndStaysSo) {
    OpenWindow app;
    auto* list = app.find<QListView>(u"shelfList"_s);
    const auto came = namesOn(*list);
    list->setFocus();
    list->setCurrentIndex(list->model()->index(2, 0));
    app.press(Qt::Key_Left, Qt::AltModifier);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[2], came[1], came[3]}));
    app.press(Qt::Key_Left, Qt::AltModifier);  // it is the first already
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[2], came[1], came[3]}));
    app.press(Qt::Key_Right, Qt::AltModifier);
    app.press(Qt::Key_Right, Qt::AltModifier);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[1], came[3], came[2]}));
    app.press(Qt::Key_Right, Qt::AltModifier);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[1], came[3], came[2]}));
    app.press(Qt::Key_H, Qt::ControlModifier);
    app.jot(u"shelf Tern first"_s);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[2], came[1], came[3]}));
    app.press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(namesOn(*list), (std::vector{came[0], came[1], came[3], came[2]}));
    app.reopen();
    EXPECT_EQ(namesOn(*app.find<QListView>(u"shelfList"_s)),
              (std::vector{came[0], came[1], came[3], came[2]}));
}
TEST(ShelfScan, LooksThroughManyJobsInTheBackgroundAndCanBeStopped) {
    OpenWindow app;
    const QString path = app.file("many.glimmet");
    constexpr std::size_t jobs = tests::sanitized ? 250 : 600;  // more than a batch
    {
        const auto workshop = store::Workshop::open(path, store::Access::ReadWrite);
        ASSERT_TRUE((*workshop)
                        ->add(std::vector<core::Job>(jobs, tests::shunter()), core::text("x"))
                        .has_value());
    }
    std::size_t found = 0;
    ShelfScan scan;
    QObject::connect(&scan, &ShelfScan::found, &scan,
                     [&](const auto& standings) { found += standings.size(); });
    QSignalSpy finished(&scan, &ShelfScan::finished);
    scan.start(path, tests::smallCatalogue());
    ASSERT_TRUE(finished.wait(20000));
    EXPECT_EQ(found, jobs);
    scan.start(path, tests::smallCatalogue());
    scan.cancel();  // returns only when the thread has let go of the file
    EXPECT_TRUE(QFile::remove(path));
}
TEST(Silhouette, StandsInsideItsPlaceAndTellsKindsApart) {
    const QRectF place(10, 20, 140, 60);
    QList<QPainterPath> shapes;
    for (const core::BodyDrawing& drawing : tests::drawings()) {
        const QPainterPath shape = silhouette({&drawing.body}, place);
        EXPECT_TRUE(place.adjusted(-1, -1, 1, 1).contains(shape.boundingRect()));
        EXPECT_FALSE(shapes.contains(shape));
        shapes.append(shape);
    }
    // A train is drawn coupled: two of the same stand lower, one behind the other.
    const core::Body& car = tests::drawing("railcar").body;
    const QRectF one = silhouette({&car}, place).boundingRect();
    const QRectF two = silhouette({&car, &car}, place).boundingRect();
    EXPECT_NEAR(two.width(), one.width(), 2);
    EXPECT_LT(two.height(), one.height() * 0.6);
}

}  // namespace
}  // namespace glimmet::app
