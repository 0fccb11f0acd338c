// Whether all that was chosen goes in together, and what is asked before that is believed.
#include "core/work/fit/fit.h"

#include "core/work/fit/things.h"
#include "core/work/stage_status.h"
#include "support/findings.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace glimmet::core {
namespace {

using tests::factsOf;
using tests::jotted;

/// A hood of 52 × 14 × 11 mm and nothing else, measured.
Job hooded() {
    Job job = jotted(tests::shunter(), {"cavity hood 52x14x11"});
    auto& cavities = job.units[0].body.cavities;
    std::erase_if(cavities, [](const Cavity& each) { return each.name != "hood"; });
    job.bank.reset();
    job.items.clear();
    return job;
}
const Finding* foundIn(const std::vector<Finding>& all, std::string_view id) {
    const auto found =
        std::find_if(all.begin(), all.end(), [&](const Finding& each) { return each.id == id; });
    return found == all.end() ? nullptr : &*found;
}
std::string saidOf(const Job& job, std::string_view id = "fit.together") {
    const auto all = findings(factsOf(job));
    const Finding* one = foundIn(all, id);
    return one ? std::string(name(one->state)) + ": " + plain(one->sentence) : "nothing";
}

TEST(Fit, TellsWhatHasLeastToSpare) {
    // 30 × 12 × 8 in 52 × 14 × 11: 2 mm across, 3 mm above, 22 mm along.
    EXPECT_EQ(saidOf(jotted(hooded(), {"decoder none", "add board 30x12x8"})),
              "fine: The board fits the hood, with 2 mm to spare in width.");
    // A speaker behind it: 52 − 30 − 19 along in all.
    const Job both =
        jotted(hooded(), {"decoder none", "add board 30x12x8", "add speaker 19x13.5x8"});
    EXPECT_EQ(saidOf(both),
              "fine: Everything fits. The speaker has the least room: 0.5 mm in width, in the "
              "hood.");
    const auto facts = factsOf(both);
    const auto things = fit::thingsOf(facts);
    ASSERT_EQ(things.size(), 2U);
    EXPECT_EQ(things[0].kind, "board");
    EXPECT_EQ(things[1].kind, "speaker");
    EXPECT_EQ(things[0].room.spare->along, Along::Width);
    EXPECT_TRUE(things[0].measured);
}
TEST(Fit, TellsByHowMuchAThingIsTooLarge) {
    // Alone: 13 mm wide whichever way it is turned, in a hood 11 high and 14 wide.
    EXPECT_EQ(saidOf(jotted(hooded(), {"decoder none", "add board 53.5x12x8"})),
              "over: Not everything fits. The board is 1.5 mm too long for the hood.");
    // Beside the other: 52 − 30 − 0.3 leaves 21.7 mm.
    EXPECT_EQ(
        saidOf(jotted(hooded(), {"decoder none", "add board 30x13x10", "add board 22.5x13x10"})),
        "over: Not everything fits. The board is 0.8 mm too long to lie beside the rest in "
        "the hood.");
    // Not measured, it is asked instead of believed.
    Job drawn = jotted(hooded(), {"decoder none", "add board 53.5x12x8"});
    drawn.units[0].body.cavities[0].measured = false;
    EXPECT_EQ(saidOf(drawn),
              "ask: As the cavities are drawn, not everything fits. The board is 1.5 mm too long "
              "for the hood.");
}
TEST(Fit, AsksForAHollowThatNobodyMeasuredWhereItIsTight) {
    Job job = jotted(hooded(), {"decoder none", "add board 30x12x8"});
    job.units[0].body.cavities[0].measured = false;
    const std::string id = "fit.measure:" + job.units[0].id + "/hood";
    EXPECT_EQ(saidOf(job, id),
              "ask: Nobody has measured the hood, and as it is drawn the board has only 2 mm to "
              "spare there. Measure its length, width and height.");
    // The answer takes it as measured.
    const auto all = findings(factsOf(job));
    const Job measured = jotted(job, {foundIn(all, id)->options.at(0).jot.c_str()});
    EXPECT_TRUE(measured.units[0].body.cavities[0].measured);
    EXPECT_EQ(saidOf(measured, id), "nothing");
    // With room enough a drawing will do.
    Job roomy = jotted(hooded(), {"decoder none", "add board 20x8x5"});
    roomy.units[0].body.cavities[0].measured = false;
    EXPECT_EQ(saidOf(roomy, id), "nothing");
}
TEST(Fit, OffersTheRoomOfAWeight) {
    const Job job =
        jotted(hooded(), {"decoder none", "add board 40x13x10", "weight hood 15x14x11"});
    const auto all = findings(factsOf(job));
    const Finding* one = foundIn(all, "fit.together");
    ASSERT_TRUE(one);
    EXPECT_EQ(one->state, State::Over);
    ASSERT_FALSE(one->options.empty());
    EXPECT_EQ(plain(one->options[0].what), "mill the weight out of the hood");
    EXPECT_EQ(saidOf(jotted(job, {one->options[0].jot.c_str()})).substr(0, 5), "fine:");
}
TEST(Fit, ALineSaysWhereAThingGoes) {
    const Job job = jotted(tests::shunter(), {"add speaker 12x10x6"});
    ASSERT_EQ(job.items.size(), 1U);
    EXPECT_FALSE(job.items[0].placement.has_value());
    const Job there = jotted(job, {"fit speaker in cab floor"});
    EXPECT_EQ(there.items[0].placement->place, "cab floor");
    const auto facts = factsOf(there);
    EXPECT_EQ(placementOf(placements(facts), job.items[0].id)->hollow, "cab floor");
    EXPECT_FALSE(jotted(there, {"fit speaker anywhere"}).items[0].placement.has_value());
    EXPECT_TRUE(jotted(there, {"fit speaker gone"}).items.empty());
    const Job decoder = jotted(job, {"decoder small", "fit decoder in hood"});
    EXPECT_EQ(decoder.decoder->placement->place, "hood");
    // Added and put there in one line; what is no measure or no place is said.
    EXPECT_EQ(jotted(job, {"add board 20x8x3 in hood"}).items[1].placement->place, "hood");
    for (const char* line :
         {"add board", "add board 20x8", "add soup 20x8x3", "add board 20x8x3 in attic",
          "fit decoder", "fit stay-alive gone", "fit boiler in hood"})
        EXPECT_FALSE(applyLine(line, job, tests::smallCatalogue(), "").has_value()) << line;
}
TEST(Fit, SaysNothingOfWhatHasNothingToFit) {
    Job job = hooded();
    job.decoder.reset();
    EXPECT_EQ(saidOf(job), "nothing");
    EXPECT_EQ(plain(fit::idle(job).why), "nothing to fit yet");
}

}  // namespace
}  // namespace glimmet::core
