#include "store/workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <gtest/gtest.h>

#include <random>

namespace glimmet::store {
namespace {

using core::text;
using tests::jotted;
using tests::Scratch;
using tests::shunter;

/// A workshop of thirty jobs with pages in its middle overwritten.
QByteArray damagedBytes(const QString& path) {
    {
        const auto workshop = *Workshop::open(path, Access::ReadWrite);
        std::vector<core::Job> jobs;
        for (int i = 0; i < 30; ++i) {
            jobs.push_back(shunter());
            jobs.back().name = "job " + std::to_string(i);
        }
        const auto ids = *workshop->add(jobs, text("New job"));
        (void)*workshop->record(ids[3], jotted(jobs[3], {"stall 1.5A 12V"}), text("Stall test"));
    }
    QByteArray bytes = Scratch::contents(path);
    std::mt19937 random(1);
    std::uniform_int_distribution<int> byte(0, 255);
    for (qsizetype at = bytes.size() / 2; at < bytes.size() / 2 + 3 * 4096; ++at) {
        bytes[at] = static_cast<char>(byte(random));
    }
    Scratch::write(path, bytes);
    return bytes;
}

TEST(Salvage, BringsOverWhatCanBeReadAndLeavesTheOriginal) {
    const Scratch scratch;
    const QString path = scratch.file("broken.glimmet");
    const QByteArray damaged = damagedBytes(path);
    const auto refused = Workshop::open(path, Access::ReadWrite);
    ASSERT_FALSE(refused.has_value());
    EXPECT_EQ(refused.error().code, core::ErrorCode::Damaged);
    const auto rescued = salvage(path);
    ASSERT_TRUE(rescued.has_value()) << core::plain(rescued.error().what);
    EXPECT_GE(rescued->jobs, 20U);  // three pages hold a few jobs of thirty
    EXPECT_LE(rescued->jobs, 30U);
    EXPECT_EQ(Scratch::contents(path), damaged);
    const auto workshop = Workshop::open(rescued->path, Access::ReadWrite);
    ASSERT_TRUE(workshop.has_value());
    const auto jobs = *(*workshop)->jobs();
    EXPECT_EQ(jobs.size(), rescued->jobs);
    EXPECT_EQ((*workshop)->job(jobs[0].id)->motor->readings.size(), 3U);
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
}

}  // namespace
}  // namespace glimmet::store
