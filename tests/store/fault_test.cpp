// A kill, a full disk and a broken one at every call that writes: nothing that was reported is
// lost, nothing that failed is half there, and the next start works.
#include "store/workshop.h"
#include "support/faulty_system.h"
#include "support/older_workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"
#include "support/scratch.h"

#include <gtest/gtest.h>
#include <sys/syscall.h>

#include <functional>
#include <string>

namespace glimmet::store {
namespace {

using core::text;
using tests::Fault;
using tests::keptShunter;
using tests::Scratch;

core::Job named(int number) {
    core::Job job = keptShunter();
    job.name = "turn " + std::to_string(number);
    return job;
}

/// What is done with the fault about, and what must hold afterwards. `report` is what a user has
/// seen: a number that only rises. It is told past the faulty system.
struct Scenario {
    const char* name;
    long stride;  ///< 1: every call; more where another scenario visits the same code
    std::function<void(const Scratch&)> prepare;
    std::function<void(const Scratch&, const std::function<void(int)>& report)> act;
    std::function<void(const Scratch&, int reported)> verify;
};

constexpr auto file = "w.glimmet";

void makeOne(const Scratch& scratch) {
    const auto workshop = *Workshop::open(scratch.file(file), Access::ReadWrite);
    ASSERT_EQ(*workshop->add(named(0), text("New job")), 1);
}
/// Job 1 as it is on the disk, for whoever starts next.
std::string nextStart(const Scratch& scratch, const char* name = file) {
    const auto workshop = Workshop::open(scratch.file(name), Access::ReadWrite);
    if (!workshop) return core::plain(workshop.error().what);
    const auto job = (*workshop)->job(1);
    if (!job) return core::plain(job.error().what);
    // And it can be worked on.
    const auto recorded = (*workshop)->record(1, *job, text("x"));
    if (!recorded) return core::plain(recorded.error().what);
    if (!(*workshop)->undo(1)) return "no undo";
    return job->name;
}
std::string turn(int number) { return "turn " + std::to_string(number); }

/// Bytes that begin like a JPEG and take several pages.
std::string photo(int number) {
    return "\xff\xd8\xff" + std::string(14000, static_cast<char>('a' + number));
}

const Scenario scenarios[] = {
    {"creation", 1, [](const Scratch&) {},
     [](const Scratch& scratch, const auto& report) {
         if (Workshop::open(scratch.file(file), Access::ReadWrite)) report(1);
     },
     [](const Scratch& scratch, int) {
         const auto workshop = Workshop::open(scratch.file(file), Access::ReadWrite);
         ASSERT_TRUE(workshop.has_value()) << core::plain(workshop.error().what);
         EXPECT_TRUE((*workshop)->jobs()->empty());
         EXPECT_TRUE((*workshop)->add(keptShunter(), text("x")).has_value());
     }},
    {"record", 1, makeOne,
     [](const Scratch& scratch, const auto& report) {
         const auto workshop = Workshop::open(scratch.file(file), Access::ReadWrite);
         if (!workshop) return;
         for (int number = 1; number <= 3; ++number) {
             if ((*workshop)->record(1, named(number), text("Name"))) {
                 report(number);
                 continue;
             }
             // What failed is not there, and the next try works once the disk does.
             tests::disarm();
             const auto job = (*workshop)->job(1);
             if (!job || job->name != turn(number - 1)) report(100);
             if (!(*workshop)->record(1, named(number), text("Name"))) report(101);
             report(number);
             return;
         }
     },
     [](const Scratch& scratch, int reported) {
         const std::string kept = nextStart(scratch);
         EXPECT_TRUE(kept == turn(reported) || kept == turn(reported + 1)) << kept;
     }},
    {"photos", 1, makeOne,
     [](const Scratch& scratch, const auto& report) {
         const auto workshop = Workshop::open(scratch.file(file), Access::ReadWrite);
         if (!workshop) return;
         for (int number = 1; number <= 2; ++number) {
             if (!(*workshop)->keepPhoto(photo(number))) return;
             report(number);
         }
     },
     [](const Scratch& scratch, int reported) {
         EXPECT_EQ(nextStart(scratch), turn(0));
         const auto workshop = *Workshop::open(scratch.file(file), Access::ReadWrite);
         for (int number = 1; number <= 2; ++number) {
             // What was reported is there whole; what was not is there whole or not at all.
             const auto there = workshop->photo(photoSum(photo(number)));
             EXPECT_TRUE(there.has_value() || number > reported) << number;
             EXPECT_TRUE(there ? *there == photo(number)
                               : there.error().code == core::ErrorCode::Unknown)
                 << number;
         }
     }},
    {"undo and redo", 1,
     [](const Scratch& scratch) {
         makeOne(scratch);
         const auto workshop = *Workshop::open(scratch.file(file), Access::ReadWrite);
         ASSERT_TRUE(workshop->record(1, named(1), text("Name")).has_value());
     },
     [](const Scratch& scratch, const auto& report) {
         const auto workshop = Workshop::open(scratch.file(file), Access::ReadWrite);
         if (!workshop) return;
         if (!(*workshop)->undo(1)) return;
         report(1);
         if (!(*workshop)->redo(1)) return;
         report(2);
     },
     [](const Scratch& scratch, int reported) {
         const std::string kept = nextStart(scratch);
         // 0: undone or not; 1: undone, or brought back already; 2: brought back.
         EXPECT_TRUE(kept == turn(1) || (kept == turn(0) && reported < 2)) << kept;
         const auto workshop = *Workshop::open(scratch.file(file), Access::ReadWrite);
         EXPECT_TRUE(workshop->undoable(1)->undo || workshop->undoable(1)->redo);
     }},
    {"migration", 1,
     [](const Scratch& scratch) { tests::makeOlderWorkshop(scratch.file(file), 2); },
     [](const Scratch& scratch, const auto& report) {
         if (Workshop::open(scratch.file(file), Access::ReadWrite)) report(1);
     },
     [](const Scratch& scratch, int) {
         EXPECT_EQ(nextStart(scratch), "Shunter");
         const auto workshop = *Workshop::open(scratch.file(file), Access::ReadWrite);
         EXPECT_EQ(workshop->history(1, 9)->steps.size(), 3U);  // two, and nextStart's undone edit
         EXPECT_EQ(workshop->jobs()->size(), 2U);
         EXPECT_EQ(tests::number(scratch.file("w.glimmet.schema2"), "PRAGMA user_version"), 2);
         EXPECT_EQ(
             tests::number(scratch.file("w.glimmet.schema2"), "SELECT count(*) FROM revision"), 4);
     }},
    {"migration of a log", 5,
     [](const Scratch& scratch) { tests::makeOlderWorkshop(scratch.file(file), 2, true); },
     [](const Scratch& scratch, const auto& report) {
         if (Workshop::open(scratch.file(file), Access::ReadWrite)) report(1);
     },
     [](const Scratch& scratch, int) {
         EXPECT_EQ(nextStart(scratch), "Shunter");
         EXPECT_EQ(
             tests::number(scratch.file("w.glimmet.schema2"), "SELECT count(*) FROM revision"), 4);
     }},
    {"copy", 1,
     [](const Scratch& scratch) {
         makeOne(scratch);
         Scratch::write(scratch.file("copy.glimmet"), "what stood there");
     },
     [](const Scratch& scratch, const auto& report) {
         const auto workshop = Workshop::open(scratch.file(file), Access::ReadWrite);
         if (workshop && (*workshop)->copyTo(scratch.file("copy.glimmet"))) report(1);
     },
     [](const Scratch& scratch, int reported) {
         EXPECT_EQ(nextStart(scratch), turn(0));
         // The copy is whole, or what stood there still does.
         if (reported == 1 ||
             Scratch::contents(scratch.file("copy.glimmet")) != "what stood there") {
             EXPECT_EQ(nextStart(scratch, "copy.glimmet"), turn(0));
         }
     }},
    {"salvage", 5, makeOne,
     [](const Scratch& scratch, const auto& report) {
         if (salvage(scratch.file(file))) report(1);
     },
     [](const Scratch& scratch, int reported) {
         int salvaged = 0;
         for (const QString& name : scratch.names()) {
             if (!name.startsWith("w salvaged ") || !name.endsWith(".glimmet")) continue;
             ++salvaged;
             EXPECT_EQ(nextStart(scratch, name.toUtf8().constData()), turn(0));
         }
         EXPECT_GE(salvaged, reported);
         EXPECT_EQ(nextStart(scratch), turn(0));
     }},
};

struct Outcome {
    int reported = 0;
    long calls = 0;  ///< -1: killed before the end
};
Outcome run(const Scenario& scenario, const Scratch& scratch, long n, Fault fault) {
    int ends[2];
    EXPECT_EQ(pipe(ends), 0);
    const pid_t child = fork();
    if (child == 0) {
        const auto tell = [&](long what) { syscall(SYS_write, ends[1], &what, sizeof what); };
        tests::arm(n, fault);
        scenario.act(scratch, [&](int reported) { tell(reported); });
        tell(1000 + tests::disarm());
        _exit(0);
    }
    ::close(ends[1]);
    Outcome outcome{0, -1};
    for (long told = 0; ::read(ends[0], &told, sizeof told) == sizeof told;) {
        if (told >= 1000)
            outcome.calls = told - 1000;
        else
            outcome.reported = static_cast<int>(told);
    }
    ::close(ends[0]);
    int status = 0;
    waitpid(child, &status, 0);
    EXPECT_TRUE(WIFSIGNALED(status) ? WTERMSIG(status) == SIGKILL : WEXITSTATUS(status) == 0)
        << scenario.name << ": the program itself broke";
    return outcome;
}

class FaultAtEveryWrite : public testing::TestWithParam<Fault> {};

TEST_P(FaultAtEveryWrite, LosesNothingThatWasReported) {
    for (const Scenario& scenario : scenarios) {
        long writes = 0;
        {
            const Scratch scratch;
            scenario.prepare(scratch);
            const Outcome whole = run(scenario, scratch, 0, GetParam());
            writes = whole.calls;
            scenario.verify(scratch, whole.reported);
            EXPECT_GT(whole.reported, 0) << scenario.name;
        }
        EXPECT_GT(writes, 5) << scenario.name;
        for (long n = 1; n <= writes; n += scenario.stride * (tests::sanitized ? 5 : 1)) {
            SCOPED_TRACE(std::string(scenario.name) + ", call " + std::to_string(n) + " of " +
                         std::to_string(writes));
            const Scratch scratch;
            scenario.prepare(scratch);
            const Outcome outcome = run(scenario, scratch, n, GetParam());
            EXPECT_LT(outcome.reported, 100) << "a failed edit was there, or the next one failed";
            scenario.verify(scratch, outcome.reported);
            if (testing::Test::HasFailure()) return;  // one is enough to read
        }
    }
}
INSTANTIATE_TEST_SUITE_P(Faults, FaultAtEveryWrite,
                         testing::Values(Fault::Killed, Fault::DiskFull, Fault::Broken));

}  // namespace
}  // namespace glimmet::store
