#include "store/workshop.h"

#include "store/schema.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QProcess>
#include <QSqlDatabase>
#include <QSqlQuery>
#include <QThread>

#include <gtest/gtest.h>

namespace glimmet::store {
namespace {

using core::text;
using tests::jotted;
using tests::Scratch;
using tests::shunter;

std::unique_ptr<Workshop> opened(const QString& path, Access access = Access::ReadWrite) {
    auto workshop = Workshop::open(path, access);
    EXPECT_TRUE(workshop.has_value()) << (workshop ? "" : core::plain(workshop.error().what));
    return workshop ? std::move(*workshop) : nullptr;
}

/// Runs SQL on a file past the workshop, as an older Glimmet or an accident would have.
void runSql(const QString& path, const QStringList& statements) {
    {
        QSqlDatabase database =
            QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("aside"));
        database.setDatabaseName(path);
        ASSERT_TRUE(database.open());
        for (const QString& sql : statements) {
            QSqlQuery query(database);
            ASSERT_TRUE(query.exec(sql)) << sql.toStdString();
        }
    }
    QSqlDatabase::removeDatabase(QStringLiteral("aside"));
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
    EXPECT_EQ(workshop->job(id)->motor->readings.size(), 4U);
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
        const History history = *workshop->history(id, 100);
        ASSERT_EQ(history.steps.size(), 3U);
        ASSERT_TRUE(workshop->moveHead(id, history.steps[1].revision).has_value());
    }
    const auto workshop = opened(path);
    const History history = *workshop->history(id, 100);
    ASSERT_EQ(history.steps.size(), 3U);
    EXPECT_EQ(history.head, 1U);
    EXPECT_EQ(core::plain(history.steps[2].what), "Name: Two");
    EXPECT_EQ(workshop->job(id)->name, "One");
    EXPECT_EQ(workshop->jobs()->at(0).name, "One");
    EXPECT_EQ(workshop->moveHead(id, history.steps[2].revision)->name, "Two");
}
TEST(Workshop, KeepsTheWholeWayToTheTipHoweverFarBackItGoes) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    for (const char* line : {"name One", "name Two", "name Three"}) {
        (void)*workshop->record(id, jotted(shunter(), {line}), text("Name"));
    }
    const History whole = *workshop->history(id, 100);
    for (std::size_t back = 3; back-- > 0;) {
        ASSERT_TRUE(workshop->moveHead(id, whole.steps[back].revision).has_value());
        const History now = *workshop->history(id, 100);
        EXPECT_EQ(now.steps.size(), 4U);
        EXPECT_EQ(now.head, back);
    }
    EXPECT_EQ(workshop->history(id, 2)->steps.size(), 2U);  // only the last steps, when asked so
}
TEST(Workshop, ReadsAnOlderFileWithoutBringingItForward) {
    const Scratch scratch;
    const QString path = scratch.file("old.glimmet");
    { (void)*opened(path)->add(shunter(), text("New job")); }
    runSql(path, {QStringLiteral("DROP TABLE job_words"), QStringLiteral("PRAGMA user_version = 1"),
                  QStringLiteral("PRAGMA wal_checkpoint(TRUNCATE)")});
    const QByteArray before = Scratch::contents(path);
    {
        const auto workshop = opened(path, Access::ReadOnly);
        EXPECT_EQ(workshop->jobs()->size(), 1U);
        EXPECT_EQ(workshop->search("Shunt")->size(), 1U);  // by name only: there is no index
        EXPECT_TRUE(workshop->search("middle")->empty());
    }
    EXPECT_EQ(Scratch::contents(path), before);
}
TEST(Workshop, AnEditAfterAnUndoStartsANewBranchAndKeepsTheOldRevision) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    const RevisionId dropped =
        *workshop->record(id, jotted(shunter(), {"name Dropped"}), text("Name"));
    const History before = *workshop->history(id, 100);
    ASSERT_TRUE(workshop->moveHead(id, before.steps[0].revision).has_value());
    (void)*workshop->record(id, jotted(shunter(), {"name Kept"}), text("Name"));
    const History after = *workshop->history(id, 100);
    ASSERT_EQ(after.steps.size(), 2U);
    EXPECT_EQ(after.head, 1U);
    EXPECT_EQ(workshop->revision(dropped)->name, "Dropped");
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
TEST(Workshop, TakesJobsOffTheShelfWithoutLosingThem) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    const JobId id = *workshop->add(shunter(), text("New job"));
    ASSERT_TRUE(workshop->setOnShelf(id, false).has_value());
    EXPECT_TRUE(workshop->jobs()->empty());
    EXPECT_TRUE(workshop->search("shunter")->empty());
    ASSERT_TRUE(workshop->setOnShelf(id, true).has_value());
    EXPECT_EQ(workshop->job(id)->name, "Shunter");
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
    EXPECT_FALSE(reader->setOnShelf(id, false).has_value());
    // What the first writes the second sees.
    (void)*first->record(id, jotted(shunter(), {"name Seen"}), text("Name"));
    EXPECT_EQ(reader->job(id)->name, "Seen");
}
TEST(Workshop, BringsAnOlderFileForwardAndKeepsACopyOfIt) {
    const Scratch scratch;
    const QString path = scratch.file("old.glimmet");
    { (void)*opened(path)->add(shunter(), text("New job")); }
    // Back to schema 1: as it was before jobs could be searched.
    runSql(path, {QStringLiteral("DROP TABLE job_words"), QStringLiteral("PRAGMA user_version = 1"),
                  QStringLiteral("PRAGMA wal_checkpoint(TRUNCATE)")});
    const auto workshop = opened(path);
    EXPECT_EQ(workshop->search("shunter")->size(), 1U);
    EXPECT_EQ(workshop->search("middle")->size(), 1U);  // the decoder's name
    EXPECT_TRUE(QFile::exists(path + QStringLiteral(".schema1")));
}
TEST(Workshop, RefusesANewerFileAndLeavesEveryByteOfIt) {
    const Scratch scratch;
    const QString path = scratch.file("new.glimmet");
    { (void)*opened(path)->add(shunter(), text("New job")); }
    runSql(path, {QStringLiteral("PRAGMA user_version = 99"),
                  QStringLiteral("PRAGMA wal_checkpoint(TRUNCATE)"),
                  QStringLiteral("PRAGMA journal_mode = DELETE")});
    const QByteArray before = Scratch::contents(path);
    const auto workshop = Workshop::open(path, Access::ReadWrite);
    ASSERT_FALSE(workshop.has_value());
    EXPECT_EQ(workshop.error().code, core::ErrorCode::TooNew);
    EXPECT_NE(core::plain(workshop.error().what).find("has not been touched"), std::string::npos);
    EXPECT_EQ(Scratch::contents(path), before);
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
    runSql(scratch.file("other.db"), {QStringLiteral("CREATE TABLE x(y)")});
    EXPECT_EQ(Workshop::open(scratch.file("other.db"), Access::ReadWrite).error().code,
              core::ErrorCode::NotUnderstood);
    EXPECT_EQ(Workshop::open(scratch.file("absent.glimmet"), Access::ReadOnly).error().code,
              core::ErrorCode::Unreadable);
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
TEST(Workshop, AddsManyJobsOrNone) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    EXPECT_EQ(workshop->add(std::vector<core::Job>(50, shunter()), text("Imported"))->size(), 50U);
    EXPECT_EQ(workshop->jobs()->size(), 50U);
}
TEST(Workshop, SaysWhichJobOrRevisionThereIsNone) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("a.glimmet"));
    EXPECT_EQ(workshop->job(77).error().code, core::ErrorCode::Unknown);
    EXPECT_EQ(workshop->revision(77).error().code, core::ErrorCode::Unknown);
    EXPECT_EQ(workshop->record(77, shunter(), text("x")).error().code, core::ErrorCode::Unknown);
}

}  // namespace
}  // namespace glimmet::store
