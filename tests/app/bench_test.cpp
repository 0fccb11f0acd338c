#include "app/frame/bench.h"

#include "store/catalogue.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QSignalSpy>

#include <gtest/gtest.h>

namespace glimmet::app {
namespace {

using core::text;
using tests::Scratch;
using tests::shunter;

std::unique_ptr<store::Workshop> workshopAt(const QString& path,
                                            store::Access access = store::Access::ReadWrite) {
    return std::move(*store::Workshop::open(path, access));
}

std::string named(const std::optional<core::Text>& step) {
    return step ? core::plain(*step) : "nothing";
}
std::string undoText(const Bench& bench) { return named(bench.undoable().undo); }
std::string redoText(const Bench& bench) { return named(bench.undoable().redo); }

TEST(Bench, UndoAndRedoMoveTheRecordedHead) {
    const Scratch scratch;
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    ASSERT_TRUE(bench.addJob(shunter(), text("New job")));
    ASSERT_TRUE(bench.take(QStringLiteral("stall 1.6A 12V")));
    ASSERT_TRUE(bench.take(QStringLiteral("name Renamed")));
    EXPECT_EQ(undoText(bench), "Name: Renamed");
    bench.undo();
    EXPECT_EQ(bench.job().name, "Shunter");
    EXPECT_EQ(bench.workshop()->job(bench.jobId())->name, "Shunter");
    EXPECT_EQ(undoText(bench), "Stall test: 1.6 A at 12 V");
    bench.undo();
    EXPECT_EQ(bench.job().units.at(0).motors.at(0).readings.size(), 3U);
    bench.redo();
    EXPECT_EQ(bench.job().name, "Shunter");
    bench.redo();
    EXPECT_EQ(bench.workshop()->job(bench.jobId())->name, "Renamed");
}
TEST(Bench, TakesUpTheHistoryWhereItWasLeft) {
    const Scratch scratch;
    {
        Bench bench(tests::smallCatalogue());
        bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
        bench.addJob(shunter(), text("New job"));
        for (const char* name : {"One", "Two", "Three"})
            bench.take(QStringLiteral("name ") + QString::fromUtf8(name));
        bench.undo();
    }
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    bench.openJob(bench.workshop()->jobs()->at(0).id);
    EXPECT_EQ(bench.job().name, "Two");
    EXPECT_EQ(undoText(bench), "Name: Two");
    EXPECT_EQ(redoText(bench), "Name: Three");
    bench.redo();
    EXPECT_EQ(bench.job().name, "Three");
    EXPECT_EQ(redoText(bench), "nothing");
    for (int i = 0; i < 3; ++i) bench.undo();
    EXPECT_EQ(bench.job().name, "Shunter");
    EXPECT_EQ(undoText(bench), "nothing");
    QSignalSpy failed(&bench, &Bench::failed);
    bench.undo();
    EXPECT_EQ(failed.count(), 1);
    EXPECT_EQ(bench.job().name, "Shunter");
}
TEST(Bench, ChangesNothingInAReadOnlyWorkshopAndSaysSo) {
    const Scratch scratch;
    { (void)*workshopAt(scratch.file("a.glimmet"))->add(shunter(), text("New job")); }
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet"), store::Access::ReadOnly));
    bench.openJob(bench.workshop()->jobs()->at(0).id);
    QSignalSpy failed(&bench, &Bench::failed);
    const auto spoken = [&] {
        std::string words;
        for (const core::Finding& each : bench.findings()) words += core::plain(each.sentence);
        return words;
    };
    const std::string before = spoken();
    EXPECT_FALSE(bench.take(QStringLiteral("track 22V")));
    EXPECT_EQ(bench.job(), shunter());
    EXPECT_EQ(spoken(), before);  // not those of a job that was not kept
    ASSERT_EQ(failed.count(), 1);
    EXPECT_TRUE(failed.at(0).at(0).toString().contains(QStringLiteral("read-only")));
    EXPECT_EQ(undoText(bench), "nothing");
}
TEST(Bench, FollowsWhatAnotherWindowWritesWhereItMayOnlyRead) {
    const Scratch scratch;
    Bench writer(tests::smallCatalogue());
    writer.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    writer.addJob(shunter(), text("New job"));
    Bench reader(tests::smallCatalogue());
    reader.setWorkshop(workshopAt(scratch.file("a.glimmet"), store::Access::ReadOnly));
    reader.openJob(writer.jobId());
    reader.goTo("lamps");
    QSignalSpy changed(&reader, &Bench::jobChanged);
    QSignalSpy shelf(&reader, &Bench::shelfChanged);
    reader.follow();
    EXPECT_EQ(changed.count() + shelf.count(), 0);  // nothing has happened yet
    writer.take(QStringLiteral("name Seen"));
    reader.follow();
    EXPECT_EQ(reader.job().name, "Seen");
    EXPECT_EQ(reader.stage(), "lamps");  // where one looks stays
    EXPECT_EQ(changed.count(), 1);
    EXPECT_EQ(shelf.count(), 1);
    reader.follow();
    EXPECT_EQ(changed.count(), 1);
    writer.follow();  // one that writes has nobody to follow
    EXPECT_EQ(writer.job().name, "Seen");
}
TEST(Bench, RefusesALineThatChangesNothing) {
    const Scratch scratch;
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    bench.addJob(shunter(), text("New job"));
    QSignalSpy failed(&bench, &Bench::failed);
    EXPECT_FALSE(bench.take(QStringLiteral("decoder middle")));
    EXPECT_EQ(failed.count(), 1);
    EXPECT_EQ(undoText(bench), "nothing");
}
TEST(Bench, ShelfStepsAreUndoneToo) {
    const Scratch scratch;
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    bench.addJob(shunter(), text("New job"));
    const auto id = bench.jobId();
    bench.takeOffShelf();
    EXPECT_FALSE(bench.hasJob());
    EXPECT_TRUE(bench.workshop()->jobs()->empty());
    bench.shelfUndoStack()->undo();
    EXPECT_EQ(bench.jobId(), id);
    EXPECT_EQ(bench.workshop()->jobs()->size(), 1U);
}
TEST(Bench, GoesWhereTheWorkIsInAJobWithoutTheStageThatWasLookedAt) {
    const Scratch scratch;
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    bench.addJob(tests::jotted(tests::newJob("x", "saloon"), {"lamp table white"}), text("x"));
    const auto coach = bench.jobId();
    bench.addJob(shunter(), text("y"));
    bench.goTo("stay-alive");
    bench.openJob(coach);  // lamps on the rails have no stay-alive
    EXPECT_EQ(bench.stage(), "lamps");
}
TEST(Bench, SpeaksOfWhatIsPointedAt) {
    const Scratch scratch;
    Bench bench(tests::smallCatalogue());
    bench.setWorkshop(workshopAt(scratch.file("a.glimmet")));
    bench.addJob(
        tests::jotted(shunter(), {"lamp front white", "lamp rear red", "resistor rear 3k9"}),
        text("x"));
    EXPECT_EQ(bench.stage(), "lamps");                      // where there is something to do
    EXPECT_EQ(bench.spoken()->subject.name, "front lamp");  // it asks for a resistor
    bench.pointAt(bench.job().groups[1].id);
    EXPECT_EQ(bench.spoken()->id, "lamp.current:" + bench.job().groups[1].id);
    bench.speakOf("motor.track-volts");
    EXPECT_EQ(bench.stage(), "decoder");
    EXPECT_EQ(bench.spoken()->id, "motor.track-volts");
}

}  // namespace
}  // namespace glimmet::app
