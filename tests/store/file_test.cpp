// The workshop as a file among other files and programs: names, locks, folders, copies.
#include "store/workshop.h"
#include "store/workshop_file.h"
#include "support/older_workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QDir>
#include <QFileInfo>

#include <fcntl.h>
#include <gtest/gtest.h>
#include <sys/file.h>
#include <sys/stat.h>

#include <functional>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::text;
using tests::jotted;
using tests::opened;
using tests::Scratch;
using tests::shunter;

core::Error refusal(const QString& path, Access access = Access::ReadWrite) {
    const auto workshop = Workshop::open(path, access);
    return workshop ? core::Error{{}, "", text("opened")} : workshop.error();
}
JobId filled(const QString& path) { return *opened(path)->add(shunter(), text("New job")); }

/// Runs something in a process of its own, as whoever may write nowhere of ours; what it returns is
/// told by its exit status.
int asNobody(const std::function<int()>& work) {
    const pid_t child = fork();
    if (child == 0) {
        if (getuid() == 0 && (setgid(65534) != 0 || setuid(65534) != 0)) _exit(99);
        _exit(work());
    }
    int status = 0;
    waitpid(child, &status, 0);
    return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
}

/// A writer that is killed in the middle of an edit, some of it in the file already.
void cutShort(const QString& path) {
    const pid_t child = fork();
    if (child == 0) {
        auto database = tests::past(path);
        (void)database.run("PRAGMA journal_mode = PERSIST");
        (void)database.run("PRAGMA cache_size = 1");  // so that pages reach the file before COMMIT
        (void)database.run("BEGIN");
        for (int i = 0; i < 200; ++i) {
            const std::string words(4000, 'x');
            (void)database.run("INSERT INTO change(at, kind, what) VALUES ('', 'edit', ?)",
                               {std::string_view(words)});
        }
        (void)database.run("UPDATE document SET name = 'half'");
        ::kill(::getpid(), SIGKILL);
    }
    waitpid(child, nullptr, 0);
}

TEST(File, IsTheSameThroughASymlink) {
    const Scratch scratch;
    QDir(scratch.file(".")).mkdir("elsewhere");
    const QString real = scratch.file("elsewhere/real.glimmet");
    const QString link = scratch.file("link.glimmet");
    const JobId id = filled(real);
    ASSERT_TRUE(QFile::link(real, link));
    const auto first = opened(link);
    EXPECT_EQ(first->path(), QFileInfo(real).canonicalFilePath());
    EXPECT_EQ(refusal(real).code, ErrorCode::InUse);  // one file, one lock
    (void)*first->record(id, jotted(shunter(), {"name Linked"}), text("Name"));
    EXPECT_EQ(opened(real, Access::ReadOnly)->job(id)->name, "Linked");
    EXPECT_EQ(scratch.names(), QStringList{"link.glimmet"});  // nothing beside the link
    ASSERT_TRUE(QFile::link(scratch.file("gone"), scratch.file("dangling.glimmet")));
    EXPECT_EQ(core::plain(refusal(scratch.file("dangling.glimmet")).what),
              "dangling.glimmet is a link to a file that is not there.");
    EXPECT_FALSE(QFile::exists(scratch.file("gone")));
}
TEST(File, WithASecondNameIsOnlyRead) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    const JobId id = filled(path);
    const std::string other = systemPath(scratch.file("b.glimmet"));
    ASSERT_EQ(::link(systemPath(path).c_str(), other.c_str()), 0);
    EXPECT_EQ(refusal(path).code, ErrorCode::NotWritable);
    EXPECT_NE(core::plain(refusal(path).what).find("second name"), std::string::npos);
    EXPECT_EQ(opened(path, Access::ReadOnly)->job(id)->name, "Shunter");
    ::unlink(other.c_str());
    EXPECT_EQ(opened(path)->job(id)->name, "Shunter");
}
TEST(File, ThatWentAwayOrWasReplacedIsKeptBesideAndSaid) {
    using Act = std::function<void(const QString&)>;
    const Act acts[] = {
        [](const QString& path) { QFile::remove(path); },
        [](const QString& path) { QFile::rename(path, path + QStringLiteral(".moved")); },
        [](const QString& path) {
            QFile::remove(path);
            filled(path);
        },
        [](const QString& path) {
            ASSERT_EQ(::link(systemPath(path).c_str(), (systemPath(path) + ".twin").c_str()), 0);
        }};
    for (const Act& act : acts) {
        const Scratch scratch;
        const QString path = scratch.file("a.glimmet");
        const auto workshop = opened(path);
        const JobId id = *workshop->add(shunter(), text("New job"));
        (void)*workshop->record(id, jotted(shunter(), {"name Kept"}), text("Name"));
        act(path);
        const QByteArray there = Scratch::contents(path);
        for (int again = 0; again < 2; ++again) {
            const auto refused =
                workshop->record(id, jotted(shunter(), {"name Lost"}), text("Name"));
            ASSERT_FALSE(refused.has_value());
            EXPECT_EQ(refused.error().code, ErrorCode::Unreadable);
            EXPECT_NE(core::plain(refused.error().what).find("is kept in a kept "),
                      std::string::npos)
                << core::plain(refused.error().what);
        }
        EXPECT_EQ(Scratch::contents(path), there);  // what stands there now is not ours
        QStringList kept = scratch.names();
        kept.removeIf([](const QString& name) {
            return !name.startsWith("a kept ") || !name.endsWith(".glimmet");
        });
        ASSERT_EQ(kept.size(), 1)
            << scratch.names().join(" | ").toStdString();  // once, however often it was tried
        const auto rescued = opened(scratch.file(kept[0].toUtf8().constData()));
        EXPECT_EQ(rescued->job(id)->name, "Kept");
        EXPECT_EQ(rescued->undo(id)->job.name, "Shunter");
    }
}
TEST(File, LockDiesWithItsProcessAndLeavesNothingBeside) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    filled(path);
    int ready[2];
    ASSERT_EQ(pipe(ready), 0);
    const pid_t child = fork();
    if (child == 0) {
        const auto workshop = Workshop::open(path, Access::ReadWrite);
        const char said = workshop ? 'y' : 'n';
        if (write(ready[1], &said, 1) != 1) _exit(1);
        for (;;) pause();
    }
    char said = 0;
    ASSERT_EQ(read(ready[0], &said, 1), 1);
    EXPECT_EQ(said, 'y');
    EXPECT_EQ(refusal(path).code, ErrorCode::InUse);
    EXPECT_EQ(refusal(path).code, ErrorCode::InUse);  // asking does not take it away
    EXPECT_EQ(opened(path, Access::ReadOnly)->jobs()->size(), 1U);
    ::kill(child, SIGKILL);
    waitpid(child, nullptr, 0);
    EXPECT_EQ(opened(path)->jobs()->size(), 1U);
    for (const QString& name : scratch.names())
        EXPECT_FALSE(name.contains("lock")) << name.toStdString();
    ::close(ready[0]);
    ::close(ready[1]);
}
// SQLite's own locks are dropped when the process closes any other descriptor of the file: then
// another program could write into the middle of an edit.
TEST(File, SqlitesLocksHoldWhateverElseIsAskedOfTheFile) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    const JobId id = filled(path);
    const auto workshop = opened(path);
    auto inside = tests::past(path);  // a reader in this process, in the middle of reading
    ASSERT_TRUE(inside.run("BEGIN").has_value());
    ASSERT_TRUE(inside.integer("SELECT count(*) FROM document").has_value());
    EXPECT_EQ(refusal(path).code, ErrorCode::InUse);
    EXPECT_TRUE(examined(path).has_value());
    EXPECT_TRUE(opened(path, Access::ReadOnly)->job(id).has_value());
    ASSERT_TRUE(workshop->copyTo(scratch.file("copy.glimmet")).has_value());
    EXPECT_EQ(workshop->copyTo(path).error().code, ErrorCode::InUse);
    // Another process still finds it locked against writing the file itself.
    const int outcome = asNobody([&] { return 0; });
    ASSERT_EQ(outcome, 0);
    const pid_t child = fork();
    if (child == 0) {
        auto other = sql::Database::opened(systemPath(path), sql::Mode::Writing);
        const bool wrote = other && other->run("UPDATE document SET name = 'x'").has_value();
        _exit(wrote ? 1 : 0);
    }
    int status = 0;
    waitpid(child, &status, 0);
    EXPECT_EQ(WEXITSTATUS(status), 0) << "another program wrote while this one was reading";
}
TEST(File, HeldByAForeignProgramIsNoDamage) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    const JobId id = filled(path);
    auto foreign = tests::past(path);
    ASSERT_TRUE(foreign.run("BEGIN EXCLUSIVE").has_value());
    EXPECT_EQ(refusal(path).code, ErrorCode::InUse);
    EXPECT_EQ(
        core::plain(refusal(path).what),
        "Another program holds a.glimmet locked just now. Nothing was changed; try again when "
        "it is done.");
    EXPECT_EQ(examined(path).error().code, ErrorCode::InUse);
    ASSERT_TRUE(foreign.run("COMMIT").has_value());
    const auto workshop = opened(path);
    ASSERT_TRUE(foreign.run("BEGIN IMMEDIATE").has_value());
    EXPECT_EQ(workshop->record(id, shunter(), text("x")).error().code, ErrorCode::InUse);
    EXPECT_EQ(workshop->job(id)->name, "Shunter");  // reading goes on
    ASSERT_TRUE(foreign.run("ROLLBACK").has_value());
    EXPECT_TRUE(workshop->record(id, shunter(), text("x")).has_value());
}
TEST(File, InAFolderThatMayNotBeWrittenIsReadAndToldSo) {
    for (const bool log : {false, true}) {
        const Scratch scratch("/tmp");
        const QString path = scratch.file("a.glimmet");
        filled(path);
        if (log) tests::runSql(path, {"PRAGMA journal_mode = WAL"});
        ASSERT_EQ(::chmod(systemPath(scratch.file(".")).c_str(), 0555), 0);
        const int outcome = asNobody([&] {
            const auto writing = Workshop::open(path, Access::ReadWrite);
            if (writing) return 1;
            if (writing.error().code != ErrorCode::NotWritable) return 2;
            const auto reading = Workshop::open(path, Access::ReadOnly);
            if (!reading) return 3;
            if ((*reading)->jobs().value().size() != 1) return 4;
            if ((*reading)->job(1)->name != "Shunter") return 5;
            const auto fresh = Workshop::open(scratch.file("new.glimmet"), Access::ReadWrite);
            if (fresh || fresh.error().code != ErrorCode::NotWritable) return 6;
            return 0;
        });
        EXPECT_EQ(outcome, 0) << "log: " << log;
        // A file of one's own in such a folder: it may be written, but no journal beside it.
        ASSERT_EQ(::chmod(systemPath(path).c_str(), 0666), 0);
        const int own = asNobody([&] {
            const auto writing = Workshop::open(path, Access::ReadWrite);
            if (writing) return 1;
            return writing.error().code == ErrorCode::NotWritable ? 0 : 2;
        });
        EXPECT_EQ(own, 0) << "log: " << log;
        ::chmod(systemPath(scratch.file(".")).c_str(), 0755);
    }
}
TEST(File, ThatMayNotBeWrittenItselfIsRead) {
    const Scratch scratch("/tmp");
    const QString path = scratch.file("a.glimmet");
    filled(path);
    ASSERT_EQ(::chmod(systemPath(scratch.file(".")).c_str(), 0777), 0);
    ASSERT_EQ(::chmod(systemPath(path).c_str(), 0444), 0);
    EXPECT_EQ(asNobody([&] {
                  const auto writing = Workshop::open(path, Access::ReadWrite);
                  if (writing || writing.error().code != ErrorCode::NotWritable) return 1;
                  const auto reading = Workshop::open(path, Access::ReadOnly);
                  return reading && (*reading)->job(1)->name == "Shunter" ? 0 : 2;
              }),
              0);
}
// A journal that wants rolling back in a folder where nothing may be written: said, not guessed.
TEST(File, ThatWasCutShortWhereNothingMayBeWrittenIsToldSo) {
    const Scratch scratch("/tmp");
    const QString path = scratch.file("a.glimmet");
    filled(path);
    cutShort(path);
    ASSERT_EQ(::chmod(systemPath(scratch.file(".")).c_str(), 0555), 0);
    EXPECT_EQ(asNobody([&] {
                  const auto reading = Workshop::open(path, Access::ReadOnly);
                  if (reading || reading.error().code != ErrorCode::Unreadable) return 1;
                  const std::string said = core::plain(reading.error().what);
                  return said.find("an edit that was cut short") != std::string::npos ? 0 : 2;
              }),
              0);
    ASSERT_EQ(::chmod(systemPath(scratch.file(".")).c_str(), 0755), 0);
    EXPECT_EQ(opened(path)->job(1)->name, "Shunter");
}
// A log with edits in it cannot be read there: showing the file without them would be a lie.
TEST(File, WithALogWhereNothingMayBeWrittenIsToldSo) {
    const Scratch scratch("/tmp");
    const QString path = scratch.file("old.glimmet");
    tests::makeOlderWorkshop(path, 2, true);
    QFile::remove(path + QStringLiteral("-shm"));
    ASSERT_EQ(::chmod(systemPath(scratch.file(".")).c_str(), 0555), 0);
    EXPECT_EQ(asNobody([&] {
                  const auto reading = Workshop::open(path, Access::ReadOnly);
                  return !reading && reading.error().code == ErrorCode::Unreadable ? 0 : 1;
              }),
              0);
    ASSERT_EQ(::chmod(systemPath(scratch.file(".")).c_str(), 0755), 0);
}
TEST(File, ThatIsNoneIsRefusedAtOnce) {
    const Scratch scratch;
    const QString pipe = scratch.file("pipe.glimmet");
    ASSERT_EQ(::mkfifo(systemPath(pipe).c_str(), 0600), 0);
    for (const Access access : {Access::ReadWrite, Access::ReadOnly}) {
        EXPECT_EQ(core::plain(refusal(pipe, access).what),
                  "pipe.glimmet is a device or a pipe, not a file.");
        EXPECT_EQ(core::plain(refusal(QStringLiteral("/dev/zero"), access).what),
                  "zero is a device or a pipe, not a file.");
        EXPECT_NE(core::plain(refusal(scratch.file("."), access).what).find("is a folder"),
                  std::string::npos);
        EXPECT_EQ(core::plain(refusal(QString(), access).what),
                  "No file was named: the path is empty.");
    }
    EXPECT_FALSE(salvage(pipe).has_value());
    EXPECT_TRUE(examined(pipe).has_value());
}
TEST(File, ANewOneComesWholeUnderItsNameOnly) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    { EXPECT_TRUE(opened(path)->jobs()->empty()); }
    QStringList names = scratch.names();
    names.removeAll("a.glimmet-journal");  // stays beside, empty of work
    EXPECT_EQ(names, QStringList{"a.glimmet"});
    EXPECT_EQ(tests::pragma(path, "user_version"), std::to_string(schemaVersion));
    EXPECT_EQ(tests::pragma(path, "page_size"), "4096");
    // Two at once: the second to come does not wipe out the first.
    EXPECT_EQ(madeWhole(path, Replaces::Nothing,
                        [](const QString& temporary) -> core::Result<void> {
                            Scratch::write(temporary, "other");
                            return {};
                        })
                  .error()
                  .code,
              ErrorCode::InUse);
    EXPECT_TRUE(opened(path)->jobs()->empty());
    // What fails while it is filled leaves nothing.
    const auto failed = madeWhole(scratch.file("b.glimmet"), Replaces::Nothing,
                                  [](const QString& temporary) -> core::Result<void> {
                                      Scratch::write(temporary, "half");
                                      return core::failure(ErrorCode::Missing, "", text("no"));
                                  });
    EXPECT_EQ(failed.error().code, ErrorCode::Missing);
    EXPECT_FALSE(scratch.names().join(" ").contains("making"));
    EXPECT_FALSE(QFile::exists(scratch.file("b.glimmet")));
}
TEST(File, ACopyMadeByHandIsTheWorkshop) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    const auto workshop = opened(path);
    const JobId id = *workshop->add(shunter(), text("New job"));
    (void)*workshop->record(id, jotted(shunter(), {"name Now"}), text("Name"));
    // The one file, with the workshop still open: everything recorded stands in it.
    ASSERT_TRUE(QFile::copy(path, scratch.file("by hand.glimmet")));
    EXPECT_EQ(opened(scratch.file("by hand.glimmet"))->job(id)->name, "Now");
    EXPECT_EQ(tests::pragma(path, "journal_mode"), "delete");  // and no log
    EXPECT_FALSE(QFile::exists(path + QStringLiteral("-wal")));
}
TEST(File, EditsThatWereCutShortAreRolledBackForReadersToo) {
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    const JobId id = filled(path);
    cutShort(path);
    EXPECT_EQ(opened(path, Access::ReadOnly)->jobs()->at(0).name, "Shunter");
    EXPECT_EQ(opened(path)->job(id)->name, "Shunter");
    EXPECT_EQ(tests::number(path, "SELECT count(*) FROM change"), 1);
}
TEST(File, NamesAreTakenAsTheSystemHasThem) {
    const Scratch scratch;
    const char* const odd[] = {"with space.glimmet", "50%41?#.glimmet", "Brücke 橋.glimmet",
                               "a'b\"c.glimmet"};
    for (const char* name : odd) {
        filled(scratch.file(name));
        EXPECT_EQ(opened(scratch.file(name), Access::ReadOnly)->jobs()->size(), 1U) << name;
        EXPECT_TRUE(opened(scratch.file(name))->copyTo(scratch.file("copy.glimmet")).has_value());
        EXPECT_EQ(opened(scratch.file("copy.glimmet"))->jobs()->size(), 1U) << name;
    }
}

}  // namespace
}  // namespace glimmet::store
