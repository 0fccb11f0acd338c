#include "app/frame/shelf/shelf_scan.h"
#include "app/frame/shelf/shelf_view.h"
#include "app/frame/shelf/silhouette.h"
#include "open_window.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <QListView>
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
    EXPECT_TRUE(tern.data(ShelfModel::NextRole).toString().contains(u"output rear"_s));
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
