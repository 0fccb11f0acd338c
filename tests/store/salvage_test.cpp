// What comes back from damaged files, compared with what is really still in them.
#include "store/workshop.h"
#include "support/older_workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"
#include "support/scratch.h"

#include <gtest/gtest.h>

#include <map>
#include <random>
#include <set>

namespace glimmet::store {
namespace {

using core::text;
using tests::keptShunter;
using tests::Scratch;

constexpr qsizetype page = 4096;
constexpr int damages = tests::sanitized ? 25 : 300;
constexpr int jobsThere = 15;  // of which three are off the shelf
constexpr std::size_t onShelf = 12;

/// A note so long that a revision needs several pages, marked all the way through.
std::string marked(int job, int revision) {
    std::string words = "<" + std::to_string(job) + "." + std::to_string(revision) + ".start>";
    for (int part = 0; part < 45; ++part) {
        words += "<" + std::to_string(job) + "." + std::to_string(revision) + "." +
                 std::to_string(part) + ">........................................";
    }
    return words;
}

struct Sample {
    QByteArray bytes;
    struct Kept {
        JobId job;
        std::string content;
        std::set<qsizetype> pages;  ///< on which it stands
    };
    std::map<RevisionId, Kept> revisions;
    std::map<JobId, History> histories;
};

/// Fifteen jobs of one to five revisions; every third has its last step undone, every fifth is off
/// the shelf. Where each revision stands is found by its marks, not by any reader of pages.
const Sample& sample() {
    static const Sample made = [] {
        const Scratch scratch;
        const QString path = scratch.file("w.glimmet");
        Sample sample;
        {
            const auto workshop = *Workshop::open(path, Access::ReadWrite);
            for (int j = 0; j < jobsThere; ++j) {
                const auto turn = [&](int revision) {
                    core::Job job = keptShunter();
                    job.name = "job " + std::to_string(j) + " turn " + std::to_string(revision);
                    job.notes.push_back({"2026-03-31", marked(j, revision)});
                    return job;
                };
                const JobId id = *workshop->add(turn(0), text("New job"));
                for (int r = 1; r <= j % 5; ++r) {
                    (void)*workshop->record(id, turn(r), text("Turn %1", std::to_string(r)));
                }
                if (j % 3 == 0 && j % 5 > 0) {
                    EXPECT_TRUE(workshop->undo(id).has_value());
                }
                if (j % 5 == 4) {
                    EXPECT_TRUE(workshop->setOnShelf(id, false, text("off")).has_value());
                }
                sample.histories[id] = *workshop->history(id, 1000);
            }
        }
        sample.bytes = Scratch::contents(path);
        auto database = tests::past(path);
        EXPECT_TRUE(
            database
                .rows("SELECT id, document, content FROM revision", {},
                      [&](const sql::Row& row) {
                          sample.revisions[row.integer(0)] = {row.integer(1), row.text(2), {}};
                      })
                .has_value());
        for (auto& [id, kept] : sample.revisions) {
            // Each piece of 24 bytes stands somewhere; one that straddles two pages is skipped.
            const QByteArray content = QByteArray::fromStdString(kept.content);
            for (qsizetype at = 0; at + 24 <= content.size(); at += 8) {
                const QByteArray piece = content.mid(at, 24);
                if (!piece.contains('<') && at > 200) continue;
                const qsizetype where = sample.bytes.indexOf(piece);
                // Pieces that every job has tell nothing; those with this revision's mark do.
                if (where < 0 || sample.bytes.indexOf(piece, where + 1) >= 0) continue;
                kept.pages.insert(where / page);
            }
            EXPECT_FALSE(kept.pages.empty());
        }
        return sample;
    }();
    return made;
}

std::string stepNames(const History& history) {
    std::string names;
    for (const Step& step : history.steps) names += core::plain(step.what) + ";";
    return names;
}

TEST(Salvage, GivesBackAllOfAFileThatIsWhole) {
    const Scratch scratch;
    const QString path = scratch.file("whole.glimmet");
    Scratch::write(path, sample().bytes);
    const auto rescued = salvage(path);
    ASSERT_TRUE(rescued.has_value()) << core::plain(rescued.error().what);
    EXPECT_EQ(rescued->jobs, static_cast<std::size_t>(jobsThere));
    EXPECT_EQ(rescued->revisions, sample().revisions.size());
    const auto workshop = *Workshop::open(rescued->path, Access::ReadWrite);
    EXPECT_EQ(workshop->jobs()->size(), onShelf);  // what was off the shelf stays so
    const auto original = *Workshop::open(path, Access::ReadOnly);
    for (const auto& [id, before] : sample().histories) {
        const History after = *workshop->history(id, 1000);
        EXPECT_EQ(after.head, before.head) << id;  // an undone edit stays undone
        EXPECT_EQ(stepNames(after), stepNames(before)) << id;
        ASSERT_EQ(after.steps.size(), before.steps.size()) << id;
        for (std::size_t i = 0; i < after.steps.size(); ++i) {
            EXPECT_EQ(after.steps[i].revision, before.steps[i].revision);
            EXPECT_EQ(after.steps[i].madeAt, before.steps[i].madeAt);
        }
        EXPECT_EQ(*workshop->job(id), *original->job(id)) << id;
        EXPECT_EQ(*workshop->undoable(id), *original->undoable(id)) << id;
    }
    EXPECT_EQ(workshop->search("job 7")->size(), original->search("job 7")->size());
    EXPECT_EQ(Scratch::contents(path), sample().bytes);
}

/// What another reader still gets: SQLite itself, asked for one revision after the other.
std::set<RevisionId> readableBySqlite(const QString& path) {
    std::set<RevisionId> readable;
    auto database = sql::Database::opened(systemPath(path), sql::Mode::Reading);
    if (!database) return readable;
    for (const auto& [id, kept] : sample().revisions) {
        const auto content = database->text("SELECT content FROM revision WHERE id = ?", {id});
        if (content && *content && **content == kept.content) readable.insert(id);
    }
    return readable;
}

TEST(Salvage, GivesBackEveryRevisionThatAnotherReaderStillGets) {
    std::mt19937 random(11);
    const QByteArray& whole = sample().bytes;
    const qsizetype pages = whole.size() / page;
    const auto below = [&](qsizetype bound) {
        return static_cast<qsizetype>(random() % static_cast<std::mt19937::result_type>(bound));
    };
    std::size_t expectedInAll = 0;
    for (int turn = 0; turn < damages; ++turn) {
        SCOPED_TRACE(turn);
        const Scratch scratch;
        const QString path = scratch.file("damaged.glimmet");
        QByteArray bytes = whole;
        std::set<qsizetype> hurt;
        const auto overwrite = [&](qsizetype from, qsizetype count) {
            for (qsizetype at = from; at < from + count && at < bytes.size(); ++at) {
                bytes[at] = static_cast<char>(random());
                hurt.insert(at / page);
            }
        };
        switch (turn % 5) {
            case 0:  // cut at any page
                bytes.truncate(page * (1 + below(pages - 1)));
                for (qsizetype p = bytes.size() / page; p < pages; ++p) {
                    hurt.insert(p);
                }
                break;
            case 1:  // the header
                overwrite(below(100), 1 + below(100));
                break;
            case 2:  // some pages
                for (qsizetype n = 1 + below(8); n > 0; --n) {
                    overwrite(page * below(pages), page);
                }
                break;
            case 3:  // some bytes here and there
                for (qsizetype n = 1 + below(30); n > 0; --n) {
                    overwrite(below(whole.size()), 1 + below(16));
                }
                break;
            default:  // zeros, as a disk leaves them
                for (qsizetype n = 1 + below(8); n > 0; --n) {
                    const qsizetype p = below(pages);
                    bytes.replace(p * page, page, QByteArray(page, '\0'));
                    hurt.insert(p);
                }
        }
        Scratch::write(path, bytes);
        std::set<RevisionId> expected = readableBySqlite(path);
        for (const auto& [id, kept] : sample().revisions) {
            const bool untouched = std::none_of(kept.pages.begin(), kept.pages.end(),
                                                [&](qsizetype p) { return hurt.contains(p); });
            if (untouched) expected.insert(id);
        }
        expectedInAll += expected.size();
        const auto rescued = salvage(path);
        EXPECT_EQ(Scratch::contents(path), bytes);
        if (!rescued) {
            EXPECT_TRUE(expected.empty()) << core::plain(rescued.error().what);
            continue;
        }
        auto database = tests::past(rescued->path);
        std::set<RevisionId> got;
        ASSERT_TRUE(database
                        .rows("SELECT id, document, content FROM revision", {},
                              [&](const sql::Row& row) {
                                  const auto was = sample().revisions.find(row.integer(0));
                                  ASSERT_NE(was, sample().revisions.end());
                                  // Nothing is given back as sound that is not what was written.
                                  EXPECT_EQ(row.text(2), was->second.content);
                                  EXPECT_EQ(row.integer(1), was->second.job);
                                  got.insert(row.integer(0));
                              })
                        .has_value());
        for (const RevisionId id : expected) EXPECT_TRUE(got.contains(id)) << id;
        EXPECT_EQ(*database.text("PRAGMA integrity_check"), "ok");
        bool holds = true;
        ASSERT_TRUE(
            database.rows("PRAGMA foreign_key_check", {}, [&](const sql::Row&) { holds = false; })
                .has_value());
        EXPECT_TRUE(holds);
        // Every job that came back opens, undoes and can be worked on.
        database = sql::Database();
        if (turn % 5 != 1 && turn % 10 != 0) continue;  // for some: the disk takes its time
        const auto workshop = Workshop::open(rescued->path, Access::ReadWrite);
        ASSERT_TRUE(workshop.has_value()) << core::plain(workshop.error().what);
        std::size_t jobs = 0;
        for (const auto& [id, before] : sample().histories) {
            const auto job = (*workshop)->job(id);
            if (!job) continue;
            ++jobs;
            const History after = *(*workshop)->history(id, 1000);
            // With all its revisions it stands where it stood.
            const bool allThere =
                std::all_of(before.steps.begin(), before.steps.end(),
                            [&](const Step& step) { return got.contains(step.revision); });
            if (allThere && turn % 5 == 1) {  // a broken header costs no row of any other page
                EXPECT_EQ(after.head, before.head) << id;
                EXPECT_EQ(stepNames(after), stepNames(before)) << id;
            }
            if (jobs <= 2) {
                EXPECT_TRUE((*workshop)->record(id, *job, text("x")).has_value());
            }
        }
        EXPECT_EQ(jobs, rescued->jobs);
    }
    EXPECT_GT(expectedInAll,
              static_cast<std::size_t>(damages) * 15);  // the damages left enough to tell by
}
TEST(Salvage, KeepsWhatHeadsAndNamesCanStillBeTold) {
    // The page of the documents is gone: their moves tell where each stood.
    const Scratch scratch;
    const QString path = scratch.file("w.glimmet");
    Scratch::write(path, sample().bytes);
    tests::runSql(path, {"DELETE FROM document"});
    const auto rescued = salvage(path);
    ASSERT_TRUE(rescued.has_value());
    const auto workshop = *Workshop::open(rescued->path, Access::ReadWrite);
    EXPECT_EQ(workshop->jobs()->size(), onShelf);
    for (const auto& [id, before] : sample().histories) {
        const History after = *workshop->history(id, 1000);
        EXPECT_EQ(after.head, before.head) << id;
        EXPECT_EQ(stepNames(after), stepNames(before)) << id;
        EXPECT_EQ(workshop->job(id)->name,
                  "job " + std::to_string(id - 1) + " turn " + std::to_string(before.head));
    }
    // Moves and changes gone too: the newest revision of each, under a name that says so.
    tests::runSql(path, {"DELETE FROM move", "DELETE FROM change"});
    const auto bare = salvage(path);
    ASSERT_TRUE(bare.has_value());
    const auto poorer = *Workshop::open(bare->path, Access::ReadWrite);
    const History left = *poorer->history(5, 100);
    EXPECT_EQ(left.steps.size(), 5U);
    EXPECT_EQ(left.head, 4U);
    EXPECT_EQ(core::plain(left.steps[4].what), "Salvaged: what this edit was is lost");
    // What it was when can still be told, as far as there is anything to tell it by.
    EXPECT_EQ(poorer->jobAt(5, QDateTime::currentDateTimeUtc().addYears(1))->name, "job 4 turn 4");
    EXPECT_EQ(poorer->undo(5)->job.name, "job 4 turn 3");
}
TEST(Salvage, BridgesARevisionThatIsLost) {
    const Scratch scratch;
    const QString path = scratch.file("w.glimmet");
    Scratch::write(path, sample().bytes);
    const History before = sample().histories.at(5);  // five revisions
    tests::runSql(path,
                  {"DELETE FROM revision WHERE id = " + std::to_string(before.steps[2].revision)});
    const auto rescued = salvage(path);
    const auto workshop = *Workshop::open(rescued->path, Access::ReadWrite);
    const History after = *workshop->history(5, 100);
    EXPECT_EQ(stepNames(after), "New job;Turn 1;Turn 3;Turn 4;");
    EXPECT_EQ(after.head, 3U);
    EXPECT_EQ(workshop->undo(5)->job.name, "job 4 turn 3");
    EXPECT_EQ(workshop->undo(5)->job.name, "job 4 turn 1");
}
TEST(Salvage, BringsOverOlderWorkshopsToo) {
    for (const bool log : {false, true}) {
        const Scratch scratch;
        const QString path = scratch.file("old.glimmet");
        tests::makeOlderWorkshop(path, 2, log);
        QByteArray bytes = Scratch::contents(path);
        if (!log) bytes.replace(0, 90, QByteArray(90, '\x7f'));  // the header is gone
        Scratch::write(path, bytes);
        const auto rescued = salvage(path);
        ASSERT_TRUE(rescued.has_value()) << log;
        EXPECT_EQ(rescued->jobs, 2U);
        EXPECT_EQ(rescued->revisions, 4U);
        const auto workshop = *Workshop::open(rescued->path, Access::ReadWrite);
        const History history = *workshop->history(1, 100);
        EXPECT_EQ(history.steps.size(), 3U);
        EXPECT_EQ(history.head, 1U);
        EXPECT_EQ(core::plain(history.steps[2].what), "Name: Later");
        EXPECT_EQ(history.steps[2].madeAt, tests::olderStamp(3));
        EXPECT_EQ(workshop->redo(1)->job.name, "Later");
        EXPECT_EQ(workshop->search("second")->size(), 1U);
    }
}
TEST(Salvage, RefusesADamagedFileForWritingAndLeavesIt) {
    const Scratch scratch;
    const QString path = scratch.file("broken.glimmet");
    QByteArray bytes = sample().bytes;
    bytes.replace(bytes.size() / 2, 3 * page, QByteArray(3 * page, '\x5a'));
    Scratch::write(path, bytes);
    const auto refused = Workshop::open(path, Access::ReadWrite);
    ASSERT_FALSE(refused.has_value());
    EXPECT_EQ(refused.error().code, core::ErrorCode::Damaged);
    EXPECT_EQ(examined(path).error().code, core::ErrorCode::Damaged);
    EXPECT_EQ(Scratch::contents(path), bytes);
    // A revision whose bytes were changed, in a file that is sound as a database.
    const QString subtle = scratch.file("subtle.glimmet");
    Scratch::write(subtle, sample().bytes);
    tests::runSql(subtle,
                  {"UPDATE revision SET content = replace(content, '12', '21') WHERE id = 1"});
    const auto workshop = *Workshop::open(subtle, Access::ReadOnly);
    EXPECT_EQ(workshop->job(1).error().code, core::ErrorCode::Damaged);
    EXPECT_TRUE(workshop->job(2).has_value());
}
// Whoever opens a file with a damaged beginning is told so, and offered what it takes.
TEST(Salvage, IsOfferedWhereTheBeginningIsDamaged) {
    const Scratch scratch;
    const QString path = scratch.file("header.glimmet");
    for (const auto& [at, count] : {std::pair<qsizetype, qsizetype>{0, 16}, {68, 4}, {0, 100}}) {
        QByteArray bytes = sample().bytes;
        bytes.replace(at, count, QByteArray(count, '\x7f'));
        Scratch::write(path, bytes);
        for (const Access access : {Access::ReadWrite, Access::ReadOnly}) {
            EXPECT_EQ(Workshop::open(path, access).error().code, core::ErrorCode::Damaged) << at;
        }
        EXPECT_EQ(Scratch::contents(path), bytes);
        EXPECT_EQ(salvage(path)->jobs, static_cast<std::size_t>(jobsThere)) << at;
    }
    // Under another name, or too small to be one, it is simply no workshop.
    Scratch::write(scratch.file("header.db"), QByteArray(8192, '\x7f'));
    Scratch::write(scratch.file("small.glimmet"), QByteArray(4095, '\x7f'));
    for (const char* name : {"header.db", "small.glimmet"}) {
        EXPECT_EQ(Workshop::open(scratch.file(name), Access::ReadWrite).error().code,
                  core::ErrorCode::NotUnderstood);
    }
}
TEST(Salvage, SaysSoWhenNothingIsLeft) {
    const Scratch scratch;
    const QString path = scratch.file("gone.glimmet");
    Scratch::write(path, QByteArray("SQLite format 3\0", 16) + QByteArray(8000, '\x5a'));
    const auto rescued = salvage(path);
    ASSERT_FALSE(rescued.has_value());
    EXPECT_EQ(core::plain(rescued.error().what),
              "Nothing could be salvaged from gone.glimmet. It has not been touched.");
    EXPECT_FALSE(salvage(scratch.file("absent.glimmet")).has_value());
    EXPECT_EQ(scratch.names(), QStringList{"gone.glimmet"});
}

}  // namespace
}  // namespace glimmet::store
