#include "store/workshop.h"

#include "store/same_type_jobs.h"
#include "store/schema.h"
#include "support/older_workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QDir>
#include <QFileInfo>
#include <QThread>

#include <gtest/gtest.h>

namespace glimmet::store {
namespace {

using core::text;
using tests::jotted;
using tests::opened;
using tests::Scratch;
using tests::shunter;

std::string complaint(const QString& path, Access access = Access::ReadWrite) {
    const auto workshop = Workshop::open(path, access);
    return workshop ? "opened" : core::plain(workshop.error().what);
}

TEST(SameTypeJobs, AreTheNewestOfTheSameTypeOnTheShelf) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const auto add = [&](const core::Job& job) { return *workshop->add(job, text("New job")); };
    std::vector<JobId> ids;
    for (int i = 0; i < 11; ++i) {
        core::Job job = jotted(shunter(), {"light 200mA 12V"});
        job.name = "Shunter " + std::to_string(i);
        ids.push_back(add(job));
    }
    add(tests::newJob("other", "railbus"));
    add(tests::newJob("smaller", "dock-shunter", {"N", 160}));
    ASSERT_TRUE(workshop->setOnShelf(ids[9], false, text("off")).has_value());
    SameTypeJobs sameType(*workshop);
    const auto names = [&](std::size_t of) {
        std::vector<std::string> all;
        for (const core::SameType& each : sameType.of(ids[of], shunter())) all.push_back(each.name);
        return all;
    };
    EXPECT_EQ(names(0),
              (std::vector<std::string>{"Shunter 10", "Shunter 8", "Shunter 7", "Shunter 6",
                                        "Shunter 5", "Shunter 4", "Shunter 3", "Shunter 2"}));
    EXPECT_EQ(names(8),
              (std::vector<std::string>{"Shunter 10", "Shunter 7", "Shunter 6", "Shunter 5",
                                        "Shunter 4", "Shunter 3", "Shunter 2", "Shunter 1"}));
    EXPECT_TRUE(sameType.of(0, tests::newJob("none", "lighthouse")).empty());
    EXPECT_EQ(sameType.of(0, shunter()).at(0).light->amps, core::Amperes{0.2});
}
TEST(Workshop, FindsEverythingAgainAfterReopening) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    JobId id = 0;
    {
        const auto workshop = opened(path);
        id = *workshop->add(shunter(), text("New job"));
        ASSERT_TRUE(workshop->record(id, jotted(shunter(), {"stall 1.5A 12V"}), text("Stall test"))
                        .has_value());
    }
    const auto workshop = opened(path);
    EXPECT_EQ(tests::motor(*workshop->job(id)).readings.size(), 4U);
    EXPECT_EQ(workshop->jobs()->at(0).name, "Shunter");
}
TEST(Workshop, KeepsUndoAndRedoAcrossARestart) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    JobId id = 0;
    {
        const auto workshop = opened(path);
        id = *workshop->add(shunter(), text("New job"));
        (void)*workshop->record(id, jotted(shunter(), {"name One"}), text("Name: %1", "One"));
        (void)*workshop->record(id, jotted(shunter(), {"name Two"}), text("Name: %1", "Two"));
        const auto undone = workshop->undo(id);
        ASSERT_TRUE(undone.has_value());
        EXPECT_EQ(undone->job.name, "One");
        EXPECT_EQ(core::plain(undone->what), "Name: Two");
        EXPECT_FALSE(undone->larger);
    }
    const auto workshop = opened(path);
    const History history = *workshop->history(id, 100);
    ASSERT_EQ(history.steps.size(), 3U);
    EXPECT_EQ(history.head, 1U);
    EXPECT_EQ(core::plain(history.steps[2].what), "Name: Two");
    EXPECT_EQ(workshop->job(id)->name, "One");
    EXPECT_EQ(workshop->jobs()->at(0).name, "One");
    EXPECT_EQ(core::plain(workshop->undoable(id)->undo.value()), "Name: One");
    EXPECT_EQ(core::plain(workshop->undoable(id)->redo.value()), "Name: Two");
    EXPECT_EQ(workshop->redo(id)->job.name, "Two");
    EXPECT_FALSE(workshop->undoable(id)->redo.has_value());
    EXPECT_EQ(workshop->redo(id).error().code, core::ErrorCode::Unknown);
}
TEST(Workshop, KeepsTheWholeWayToTheTipHoweverFarBackItGoes) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    for (const char* line : {"name One", "name Two", "name Three"}) {
        (void)*workshop->record(id, jotted(shunter(), {line}), text("Name"));
    }
    for (std::size_t back = 3; back-- > 0;) {
        ASSERT_TRUE(workshop->undo(id).has_value());
        const History now = *workshop->history(id, 100);
        EXPECT_EQ(now.steps.size(), 4U);
        EXPECT_EQ(now.head, back);
    }
    EXPECT_EQ(workshop->undo(id).error().code, core::ErrorCode::Unknown);
    EXPECT_EQ(workshop->history(id, 2)->steps.size(), 2U);  // only the last steps, when asked so
    for (const char* name : {"One", "Two", "Three"}) EXPECT_EQ(workshop->redo(id)->job.name, name);
}
TEST(Workshop, ReadsAnOlderFileWithoutBringingItForward) {
    for (const int schema : {1, 2}) {
        const Scratch scratch;
        const QString path = scratch.file("old.glimmet");
        tests::makeOlderWorkshop(path, schema);
        const QByteArray before = Scratch::contents(path);
        {
            const auto workshop = opened(path, Access::ReadOnly);
            EXPECT_EQ(workshop->jobs()->size(), 2U);
            EXPECT_EQ(workshop->job(1)->name, "Shunter");
            EXPECT_EQ(workshop->history(1, 100)->steps.size(), 3U);
            EXPECT_EQ(workshop->history(1, 100)->head, 1U);
            EXPECT_EQ(workshop->search("Second")->size(), 1U);
            EXPECT_TRUE(workshop->search("middle")->empty());  // by name only
            EXPECT_EQ(workshop->jobAt(1, tests::olderMoment(3))->name, "Later");
            EXPECT_FALSE(workshop->undoable(1)->undo.has_value());
        }
        EXPECT_EQ(Scratch::contents(path), before);
        EXPECT_EQ(scratch.names(), QStringList{"old.glimmet"});
    }
}
TEST(Workshop, AnEditAfterAnUndoStartsANewBranchAndKeepsTheOldRevision) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    (void)*workshop->record(id, jotted(shunter(), {"name Dropped"}), text("Name"));
    const RevisionId droppedRevision = workshop->history(id, 100)->steps[1].revision;
    ASSERT_TRUE(workshop->undo(id).has_value());
    (void)*workshop->record(id, jotted(shunter(), {"name Kept"}), text("Name"));
    EXPECT_FALSE(workshop->undoable(id)->redo.has_value());
    const History after = *workshop->history(id, 100);
    ASSERT_EQ(after.steps.size(), 2U);
    EXPECT_EQ(after.head, 1U);
    EXPECT_EQ(workshop->revision(droppedRevision)->name, "Dropped");
}
TEST(Workshop, TellsWhatAJobWasAtAnyMoment) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const QDateTime before = QDateTime::currentDateTimeUtc().addSecs(-60);
    const JobId id = *workshop->add(shunter(), text("New job"));
    QThread::msleep(5);
    const QDateTime between = QDateTime::currentDateTimeUtc();
    QThread::msleep(5);
    (void)*workshop->record(id, jotted(shunter(), {"name Later"}), text("Name"));
    EXPECT_EQ(workshop->jobAt(id, between)->name, "Shunter");
    EXPECT_EQ(workshop->jobAt(id, QDateTime::currentDateTimeUtc())->name, "Later");
    EXPECT_EQ(workshop->jobAt(id, before).error().code, core::ErrorCode::Unknown);
}
TEST(Workshop, FindsJobsByTheBeginningOfAnyWord) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId ling = *workshop->add(
        jotted(shunter(), {"name No. 4 \"Ling\"", "note Kupplung klemmt über Öl"}), text("x"));
    const JobId tern = *workshop->add(
        jotted(shunter(), {"name Tern 🚂 مرحبا", "owner Ebba Skarv", "lamp front white"}),
        text("x"));
    const auto search = [&](const char* words) { return *workshop->search(words); };
    using Ids = std::vector<JobId>;
    EXPECT_EQ(search("lin"), Ids{ling});
    EXPECT_EQ(search("klemmt"), Ids{ling});
    EXPECT_EQ(search("uber ol"), Ids{ling});  // without marks too
    EXPECT_EQ(search("skarv tern"), Ids{tern});
    EXPECT_EQ(search("مرحبا"), Ids{tern});
    EXPECT_EQ(search("🚂"), Ids{tern});
    EXPECT_EQ(search("front"), Ids{tern});
    EXPECT_EQ(search("shunter"), (Ids{ling, tern}));
    EXPECT_EQ(search("\" OR 1=1 --"), Ids{});
    (void)*workshop->record(ling, jotted(shunter(), {"name Renamed"}), text("Name"));
    EXPECT_EQ(search("klemmt"), Ids{});
}
TEST(Workshop, TheShelfKnowsShapeAndScaleOfEachJob) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    (void)*workshop->add(shunter(), text("New job"));
    (void)*workshop->add(jotted(tests::newJob("Smelt", "railbus", {}), {"scale N"}),
                         text("New job"));
    EXPECT_EQ(*workshop->jobs(), (std::vector<JobEntry>{{1, "Shunter", "dock-shunter", 87},
                                                        {2, "Smelt", "railbus", 160}}));
    (void)*workshop->record(2, jotted(*workshop->job(2), {"scale G", "name Smolt"}), text("x"));
    EXPECT_EQ(workshop->jobs()->at(1), (JobEntry{2, "Smolt", "railbus", 22.5}));
}
TEST(Workshop, TakesJobsOffTheShelfWithoutLosingThem) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    ASSERT_TRUE(workshop->setOnShelf(id, false, text("off")).has_value());
    EXPECT_TRUE(workshop->jobs()->empty());
    EXPECT_TRUE(workshop->search("shunter")->empty());
    ASSERT_TRUE(workshop->setOnShelf(id, true, text("on")).has_value());
    EXPECT_EQ(workshop->job(id)->name, "Shunter");
    EXPECT_EQ(workshop->jobs()->size(), 1U);
    EXPECT_EQ(workshop->setOnShelf(99, true, text("on")).error().code, core::ErrorCode::Unknown);
}
TEST(Workshop, ASecondGlimmetIsToldAndMayReadOnly) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    const auto first = opened(path);
    const JobId id = *first->add(shunter(), text("New job"));
    const auto second = Workshop::open(path, Access::ReadWrite);
    ASSERT_FALSE(second.has_value());
    EXPECT_EQ(second.error().code, core::ErrorCode::InUse);
    EXPECT_EQ(core::plain(second.error().what),
              "Another Glimmet has a.glimmet open. It can be looked at read-only.");
    const auto reader = opened(path, Access::ReadOnly);
    EXPECT_EQ(reader->job(id)->name, "Shunter");
    EXPECT_EQ(reader->record(id, shunter(), text("x")).error().code, core::ErrorCode::InUse);
    EXPECT_EQ(reader->add(shunter(), text("x")).error().code, core::ErrorCode::InUse);
    EXPECT_FALSE(reader->setOnShelf(id, false, text("off")).has_value());
    // What the first writes the second sees, and knows that it was written.
    EXPECT_FALSE(reader->writtenElsewhere().value());
    (void)*first->record(id, jotted(shunter(), {"name Seen"}), text("Name"));
    EXPECT_TRUE(reader->writtenElsewhere().value());
    EXPECT_FALSE(reader->writtenElsewhere().value());
    EXPECT_EQ(reader->job(id)->name, "Seen");
    EXPECT_FALSE(first->writtenElsewhere().value());  // its own edits are no news to it
}
TEST(Workshop, BringsAnOlderFileForwardAndKeepsACopyOfIt) {
    for (const int schema : {1, 2, 3}) {
        for (const bool log : {false, true}) {
            if (schema == 3 && log) continue;  // 3 never left one beside it
            const Scratch scratch;
            const QString path = scratch.file("old.glimmet");
            // With a log, what was recorded last stands in it only, as after a kill.
            tests::makeOlderWorkshop(path, schema, log);
            const auto workshop = opened(path);
            ASSERT_TRUE(workshop);
            EXPECT_EQ(workshop->jobs()->size(), 2U);
            EXPECT_EQ(workshop->search("second")->size(), 1U);
            EXPECT_EQ(workshop->search("middle")->size(), 2U);  // the decoder's name
            // Undo, redo, names and dates are as they were.
            const History history = *workshop->history(1, 100);
            ASSERT_EQ(history.steps.size(), 3U);
            EXPECT_EQ(history.head, 1U);
            EXPECT_EQ(core::plain(history.steps[2].what), "Name: Later");
            EXPECT_EQ(history.steps[2].madeAt, tests::olderStamp(3));
            EXPECT_EQ(workshop->job(1)->name, "Shunter");
            EXPECT_EQ(workshop->jobAt(1, tests::olderMoment(3))->name, "Later");
            EXPECT_EQ(workshop->jobAt(1, tests::olderMoment(4))->name, "Shunter");
            EXPECT_EQ(workshop->jobAt(1, tests::olderMoment(0)).error().code,
                      core::ErrorCode::Unknown);
            EXPECT_EQ(core::plain(workshop->undoable(1)->undo.value()), "Note");
            EXPECT_EQ(workshop->redo(1)->job.name, "Later");
            // What is recorded now is of the present format, on top of revisions of the first.
            ASSERT_TRUE(workshop->record(2, jotted(*workshop->job(2), {"note now"}), text("x")));
            EXPECT_EQ(workshop->undo(2)->job.notes.size(), 0U);
            EXPECT_EQ(tests::number(path,
                                    "SELECT count(*) FROM revision WHERE json_extract(content,"
                                    " '$.version') = 1"),
                      4);
            // The copy is the older file, whole, and opens as one.
            const QString copy = path + QStringLiteral(".schema%1").arg(schema);
            const auto older = opened(copy, Access::ReadOnly);
            ASSERT_TRUE(older);
            EXPECT_EQ(older->history(1, 100)->head, 1U);
            EXPECT_EQ(older->history(1, 100)->steps.size(), 3U);
            EXPECT_EQ(older->revision(3)->name, "Later");
            EXPECT_EQ(tests::pragma(copy, "user_version"), std::to_string(schema));
            EXPECT_EQ(tests::pragma(path, "user_version"), std::to_string(schemaVersion));
            EXPECT_EQ(tests::pragma(path, "journal_mode"), "delete");  // no log any more
            EXPECT_FALSE(QFile::exists(path + QStringLiteral("-wal")));
        }
    }
}
TEST(Workshop, UndoesAcrossAFormatInWhichWiresWereWords) {
    const Scratch scratch;
    const QString path = scratch.file("old.glimmet");
    tests::makeOlderWorkshop(path, 2);
    std::ifstream file(TESTS_FOLDER "/samples/format3/ling.json");
    std::string content{std::istreambuf_iterator<char>(file), {}};
    for (std::size_t at = 0; (at = content.find('\'', at)) != std::string::npos; at += 2)
        content.insert(at, 1, '\'');
    tests::runSql(path, {"UPDATE revision SET document = '" + content + "' WHERE id = 2"});
    const auto workshop = opened(path);
    ASSERT_TRUE(workshop);
    EXPECT_EQ(*workshop->job(1), tests::keptJob("format3/ling"));
    ASSERT_TRUE(
        workshop->record(1, jotted(*workshop->job(1), {"wire black frame gone"}), text("w")));
    EXPECT_EQ(workshop->job(1)->wires.size(), 4U);
    EXPECT_EQ(workshop->undo(1)->job.wires.size(), 5U);
    EXPECT_EQ(workshop->undo(1)->job.name, "Shunter");
    EXPECT_EQ(workshop->redo(1)->job, tests::keptJob("format3/ling"));
    EXPECT_EQ(workshop->redo(1)->job.wires.size(), 4U);
}
TEST(Workshop, AnOlderFileThatCannotBeBroughtForwardStaysAsItIs) {
    const Scratch scratch;
    const QString path = scratch.file("old.glimmet");
    tests::makeOlderWorkshop(path, 2);
    // A table of ours in the way, as if half a migration had been there.
    tests::runSql(path, {"CREATE TABLE document(x)"});
    EXPECT_NE(complaint(path), "opened");
    EXPECT_EQ(tests::pragma(path, "user_version"), "2");
    tests::runSql(path, {"DROP TABLE document"});
    EXPECT_EQ(opened(path)->jobs()->size(), 2U);
}
TEST(Workshop, AnOlderFileWhoseRowsDoNotHoldTogetherStaysAsItIs) {
    const Scratch scratch;
    const QString path = scratch.file("old.glimmet");
    tests::makeOlderWorkshop(path, 2);
    tests::runSql(path, {"PRAGMA foreign_keys = OFF", "UPDATE job SET tip = 99 WHERE id = 2"});
    const auto refused = Workshop::open(path, Access::ReadWrite);
    ASSERT_FALSE(refused.has_value());
    EXPECT_EQ(refused.error().code, core::ErrorCode::Damaged);
    EXPECT_EQ(tests::pragma(path, "user_version"), "2");
    EXPECT_EQ(salvage(path)->jobs, 2U);  // and that can be made whole
}
TEST(Workshop, BringsOverAFileOfThePresentSchemaThatKeepsALog) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    { (void)*opened(path)->add(shunter(), text("New job")); }
    tests::runSql(path, {"PRAGMA journal_mode = WAL"});
    ASSERT_EQ(tests::pragma(path, "journal_mode"), "wal");
    EXPECT_EQ(opened(path)->jobs()->size(), 1U);
    EXPECT_NE(tests::pragma(path, "journal_mode"), "wal");
    EXPECT_EQ(opened(path + QStringLiteral(".schema%1").arg(schemaVersion), Access::ReadOnly)
                  ->jobs()
                  ->size(),
              1U);
}
TEST(Workshop, RefusesANewerFileAndLeavesEveryByteOfIt) {
    const Scratch scratch;
    const QString path = scratch.file("new.glimmet");
    { (void)*opened(path)->add(shunter(), text("New job")); }
    tests::runSql(path, {"PRAGMA user_version = 99"});
    const QByteArray before = Scratch::contents(path);
    const auto workshop = Workshop::open(path, Access::ReadWrite);
    ASSERT_FALSE(workshop.has_value());
    EXPECT_EQ(workshop.error().code, core::ErrorCode::TooNew);
    EXPECT_NE(core::plain(workshop.error().what).find("has not been touched"), std::string::npos);
    EXPECT_EQ(Scratch::contents(path), before);
    EXPECT_EQ(Workshop::open(path, Access::ReadOnly).error().code, core::ErrorCode::TooNew);
}
TEST(Workshop, SeesANewerSchemaThatStandsOnlyInTheLog) {
    const Scratch scratch;
    const QString path = scratch.file("new.glimmet");
    tests::makeOlderWorkshop(path, 2, true, {"PRAGMA user_version = 99"});
    EXPECT_EQ(Workshop::open(path, Access::ReadWrite).error().code, core::ErrorCode::TooNew);
    EXPECT_FALSE(QFile::exists(path + QStringLiteral(".schema2")));
}
TEST(Workshop, RefusesASchemaThatNoGlimmetWrote) {
    const Scratch scratch;
    const QString path = scratch.file("odd.glimmet");
    { (void)*opened(path)->add(shunter(), text("New job")); }
    for (const char* number : {"-1", "0", "-2147483648"}) {
        tests::runSql(path, {std::string("PRAGMA user_version = ") + number});
        const QByteArray before = Scratch::contents(path);
        EXPECT_EQ(Workshop::open(path, Access::ReadWrite).error().code, core::ErrorCode::Damaged);
        EXPECT_EQ(Workshop::open(path, Access::ReadOnly).error().code, core::ErrorCode::Damaged);
        EXPECT_EQ(Scratch::contents(path), before);
    }
}
TEST(Workshop, RefusesWhatIsNoWorkshop) {
    const Scratch scratch;
    Scratch::write(scratch.file("text.glimmet"),
                   "not a database at all, but long enough to have a header of some kind "
                   "that could be mistaken for one by a careless reader");
    EXPECT_EQ(Workshop::open(scratch.file("text.glimmet"), Access::ReadWrite).error().code,
              core::ErrorCode::NotUnderstood);
    Scratch::write(scratch.file("empty.glimmet"), "");
    EXPECT_EQ(Workshop::open(scratch.file("empty.glimmet"), Access::ReadWrite).error().code,
              core::ErrorCode::NotUnderstood);
    tests::runSql(scratch.file("other.db"), {"CREATE TABLE x(y)"});
    EXPECT_EQ(Workshop::open(scratch.file("other.db"), Access::ReadWrite).error().code,
              core::ErrorCode::NotUnderstood);
    EXPECT_EQ(Workshop::open(scratch.file("absent.glimmet"), Access::ReadOnly).error().code,
              core::ErrorCode::Missing);
    EXPECT_EQ(Workshop::open(QStringLiteral("/proc/no/such/place.glimmet"), Access::ReadWrite)
                  .error()
                  .code,
              core::ErrorCode::Unreadable);
    EXPECT_FALSE(Workshop::open(scratch.file("."), Access::ReadWrite).has_value());
}
TEST(Workshop, ExaminationCallsDamagedOnlyWhatIsAWorkshop) {
    const Scratch scratch;
    Scratch::write(scratch.file("noise.glimmet"), QByteArray(100000, 'x'));
    EXPECT_TRUE(examined(scratch.file("noise.glimmet")).has_value());  // open() says what it is
    EXPECT_TRUE(examined(scratch.file("absent.glimmet")).has_value());
    { (void)*opened(scratch.file("a.glimmet"))->add(shunter(), text("New job")); }
    EXPECT_TRUE(examined(scratch.file("a.glimmet")).has_value());
}
// Edits are named by sentences within sentences.
TEST(Workshop, KeepsTheNamesOfEditsHoweverDeeplyTheyAreNested) {
    core::Text nested = text("innermost");
    for (int depth = 0; depth < 8; ++depth) nested = text("(%1)", nested);
    EXPECT_EQ(textOfColumn(textColumn(nested)), nested);
    EXPECT_EQ(core::plain(textOfColumn(textColumn(text("5 %: %1", "%1")))), "5 %: %1");
    EXPECT_EQ(core::plain(textOfColumn("no JSON")), "no JSON");
    std::string hostile;  // of a damaged file: it ends
    for (int depth = 0; depth < 1000; ++depth) hostile += "{\"text\":\"(%1)\",\"values\":[";
    EXPECT_EQ(core::plain(textOfColumn(hostile)), hostile);
}
TEST(Workshop, AddsManyJobsOrNone) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    {
        const auto workshop = opened(path);
        EXPECT_EQ(workshop->add(std::vector<core::Job>(450, shunter()), text("Imported"))->size(),
                  450U);
        const auto entries = *workshop->jobs();  // three batches of readers
        ASSERT_EQ(entries.size(), 450U);
        for (std::size_t i = 0; i < entries.size(); ++i) {
            EXPECT_EQ(entries[i].id, static_cast<JobId>(i + 1));
        }
        EXPECT_EQ(workshop->search("shunter")->size(), 450U);
    }
    // One that the file will not take: none of them is there.
    tests::runSql(path, {"CREATE TRIGGER full BEFORE INSERT ON document WHEN NEW.name = 'Fifth' "
                         "BEGIN SELECT RAISE(ABORT, 'no'); END"});
    const auto workshop = opened(path);
    std::vector<core::Job> jobs(9, shunter());
    jobs[4].name = "Fifth";
    EXPECT_FALSE(workshop->add(jobs, text("Imported")).has_value());
    EXPECT_EQ(workshop->jobs()->size(), 450U);
    EXPECT_EQ(tests::number(path, "SELECT count(*) FROM change"), 1);
    jobs[4].name = "Shunter";
    EXPECT_TRUE(
        workshop->add(jobs, text("Imported")).has_value());  // the failure left nothing open
}
TEST(Workshop, OneChangeMayMoveSeveralJobsAndIsTakenBackWhole) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId first = *workshop->add(shunter(), text("New job"));
    for (int i = 0; i < 3; ++i) (void)*workshop->record(first, shunter(), text("x"));
    const auto ids = *workshop->add(std::vector<core::Job>(3, shunter()), text("New jobs"));
    const auto named = [&](const char* name) { return jotted(shunter(), {name}); };
    const auto change = workshop->record(
        std::vector<Edit>{{ids[0], named("name A")}, {ids[1], named("name B")}}, text("Twins"));
    ASSERT_TRUE(change.has_value());
    EXPECT_EQ(workshop->job(ids[1])->name, "B");
    // Taken back in one job alone: that job only, and it is said.
    const auto alone = workshop->undo(ids[0]);
    EXPECT_TRUE(alone->larger);
    EXPECT_EQ(workshop->job(ids[1])->name, "B");
    ASSERT_TRUE(workshop->redo(ids[0]).has_value());
    // Taken back whole, where nothing newer stands on it.
    (void)*workshop->record(ids[1], named("name Newer"), text("Name"));
    const auto part = workshop->takeBack(*change);
    ASSERT_TRUE(part.has_value());
    EXPECT_EQ(part->moved, std::vector<JobId>{ids[0]});
    EXPECT_EQ(part->withNewerEdits, std::vector<JobId>{ids[1]});
    EXPECT_EQ(workshop->job(ids[0])->name, "Shunter");
    EXPECT_EQ(workshop->job(ids[1])->name, "Newer");
    ASSERT_TRUE(workshop->redo(ids[0]).has_value());
    ASSERT_TRUE(workshop->undo(ids[1]).has_value());
    const auto whole = workshop->takeBack(*change);
    EXPECT_EQ(whole->moved, (std::vector<JobId>{ids[0], ids[1]}));
    EXPECT_TRUE(whole->withNewerEdits.empty());
    EXPECT_EQ(workshop->job(ids[1])->name, "Shunter");
    EXPECT_EQ(workshop->takeBack(*change)->withNewerEdits.size(), 2U);  // it is taken back already
    EXPECT_EQ(workshop->takeBack(999).error().code, core::ErrorCode::Unknown);
    // The first change made a job: there is nothing before it to go back to.
    EXPECT_EQ(workshop->takeBack(1).error().code, core::ErrorCode::Unknown);
    // An edit of which one job is not there changes none.
    EXPECT_FALSE(workshop
                     ->record(std::vector<Edit>{{ids[2], named("name C")}, {77, named("name D")}},
                              text("Twins"))
                     .has_value());
    EXPECT_EQ(workshop->job(ids[2])->name, "Shunter");
}
TEST(Workshop, SavesACopyThatIsAWorkshopOfItsOwn) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    (void)*workshop->record(id, jotted(shunter(), {"name Two"}), text("Name"));
    Scratch::write(scratch.file("b.glimmet"), "something that stood there before");
    ASSERT_TRUE(workshop->copyTo(scratch.file("b.glimmet")).has_value());
    const auto copy = opened(scratch.file("b.glimmet"));
    EXPECT_EQ(copy->job(id)->name, "Two");
    EXPECT_EQ(copy->undo(id)->job.name, "Shunter");
    EXPECT_EQ(workshop->job(id)->name, "Two");
    EXPECT_EQ(workshop->copyTo(scratch.file("a.glimmet")).error().code, core::ErrorCode::InUse);
    EXPECT_FALSE(workshop->copyTo(scratch.file("no/such/folder.glimmet")).has_value());
    EXPECT_FALSE(workshop->copyTo(scratch.file(".")).has_value());
    EXPECT_FALSE(workshop->copyTo(QString()).has_value());
    EXPECT_EQ(workshop->job(id)->name, "Two");
}
TEST(Workshop, SaysWhichJobOrRevisionThereIsNone) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    EXPECT_EQ(workshop->job(77).error().code, core::ErrorCode::Unknown);
    EXPECT_EQ(workshop->revision(77).error().code, core::ErrorCode::Unknown);
    EXPECT_EQ(workshop->record(77, shunter(), text("x")).error().code, core::ErrorCode::Unknown);
}

TEST(WorkshopRecord, IsKeptUndoneAndRedoneLikeAJob) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    core::WorkshopRecord strict;
    strict.house.rule = core::RatingRule::Strict;
    core::WorkshopRecord both = strict;
    both.house.drawers = core::Series::E24;
    {
        const auto workshop = opened(path);
        EXPECT_EQ(*workshop->workshopRecord(), core::WorkshopRecord());
        EXPECT_FALSE(workshop->undoableWorkshop()->undo.has_value());
        EXPECT_FALSE(workshop->stepWorkshop(false).has_value());
        (void)*workshop->add(shunter(), text("New job"));
        ASSERT_TRUE(workshop->recordWorkshop({{strict, text("Rule")}}).has_value());
        ASSERT_TRUE(workshop->recordWorkshop({{both, text("Drawers")}}).has_value());
        // It is no job: neither on the shelf nor in the search.
        EXPECT_EQ(workshop->jobs()->size(), 1U);
        EXPECT_TRUE(workshop->search("workshop")->empty());
    }
    const auto workshop = opened(path);
    EXPECT_EQ(*workshop->workshopRecord(), both);
    EXPECT_EQ(core::plain(*workshop->undoableWorkshop()->undo), "Drawers");
    EXPECT_EQ(*workshop->stepWorkshop(false), strict);
    EXPECT_EQ(*workshop->stepWorkshop(false), core::WorkshopRecord());
    EXPECT_FALSE(workshop->stepWorkshop(false).has_value());
    EXPECT_EQ(*workshop->stepWorkshop(true), strict);
    EXPECT_EQ(*workshop->workshopRecord(), strict);
    EXPECT_EQ(workshop->job(1)->name, "Shunter");  // the job was not touched
    EXPECT_FALSE(workshop->undoable(1)->undo.has_value());
    const auto reader = opened(path, Access::ReadOnly);
    EXPECT_EQ(*reader->workshopRecord(), strict);
    EXPECT_FALSE(reader->recordWorkshop({{both, text("x")}}).has_value());
}
TEST(WorkshopRecord, OfAnOlderFileIsTheUsualOne) {
    const Scratch scratch;
    const QString path = scratch.file("old.glimmet");
    tests::makeOlderWorkshop(path, 2);
    EXPECT_EQ(*opened(path, Access::ReadOnly)->workshopRecord(), core::WorkshopRecord());
    EXPECT_EQ(*opened(path)->workshopRecord(), core::WorkshopRecord());
}

}  // namespace
}  // namespace glimmet::store
