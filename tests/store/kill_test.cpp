// A Glimmet killed in the middle of its work loses nothing that it had recorded.
#include "store/workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

#include <csignal>
#include <cstring>

namespace glimmet::store {
namespace {

using tests::keptShunter;
using tests::Scratch;

/// Records edits as fast as it can and reports each one that is recorded, until it is killed.
[[noreturn]] void recordWithoutEnd(const QString& path, JobId id, int report) {
    const auto workshop = Workshop::open(path, Access::ReadWrite);
    if (!workshop) _exit(1);
    for (int turn = 1;; ++turn) {
        core::Job job = keptShunter();
        job.name = "turn " + std::to_string(turn);
        if (!(*workshop)->record(id, job, core::text("Name"))) _exit(1);
        if (write(report, &turn, sizeof turn) != sizeof turn) _exit(1);
    }
}

TEST(Kill, KeepsEveryRecordedEditAndAWholeFile) {
    const Scratch scratch;
    const QString path = scratch.file("w.glimmet");
    JobId id = 0;
    {
        const auto workshop = *Workshop::open(path, Access::ReadWrite);
        id = *workshop->add(keptShunter(), core::text("New job"));
    }
    int before = 0;
    for (int round = 0; round < 5; ++round) {
        int ends[2];
        ASSERT_EQ(pipe(ends), 0);
        const pid_t child = fork();
        if (child == 0) {
            close(ends[0]);
            recordWithoutEnd(path, id, ends[1]);
        }
        close(ends[1]);
        int last = 0, turn = 0;
        while (last < 20 + round * 13 && read(ends[0], &turn, sizeof turn) == sizeof turn)
            last = turn;
        ::kill(child, SIGKILL);
        while (read(ends[0], &turn, sizeof turn) == sizeof turn) last = turn;
        close(ends[0]);
        waitpid(child, nullptr, 0);
        ASSERT_GE(last, 20) << "the writer did not come to write";

        // The dead writer's lock does not stand in the way, and the file is sound.
        const auto workshop = Workshop::open(path, Access::ReadWrite);
        ASSERT_TRUE(workshop.has_value()) << core::plain(workshop.error().what);
        const std::string name = (*workshop)->job(id)->name;
        const int kept = std::stoi(name.substr(std::strlen("turn ")));
        EXPECT_GE(kept, last);      // what was reported is there
        EXPECT_LE(kept, last + 1);  // and at most the one that was being reported
        const History history = *(*workshop)->history(id, 100000);
        EXPECT_EQ(history.steps.size(), static_cast<std::size_t>(before + kept + 1));
        before += kept;
    }
}

}  // namespace
}  // namespace glimmet::store
