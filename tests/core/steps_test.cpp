// Steps of the work, made for the model: what each kind of model asks for, in which order.
#include "core/analysis/steps.h"

#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace glimmet::core {
namespace {

using tests::jotted;

std::vector<std::string> idsOf(const Job& job) {
    std::vector<std::string> ids;
    for (const Step& step : stepsOf(job, {})) ids.push_back(step.id);
    return ids;
}
const Step& stepOf(const std::vector<Step>& steps, std::string_view id) {
    const auto found =
        std::find_if(steps.begin(), steps.end(), [&](const Step& each) { return each.id == id; });
    if (found == steps.end()) throw std::runtime_error("no step " + std::string(id));
    return *found;
}
/// Hard-wired, its frame carries the current, one lamp and a stay-alive.
Job hardWired() {
    Job job = jotted(tests::shunter(), {"decoder middle", "lamp front white", "resistor front 2k2",
                                        "bank chips-3300u-25"});
    job.units[0].frame = FrameKind::FrameReturn;
    return job;
}

TEST(Steps, OfAHardWiredModelGoFromTheFrameOutwards) {
    const Job job = hardWired();
    const std::string motor = job.units[0].motors[0].id, lamp = job.groups[0].id;
    EXPECT_EQ(idsOf(job),
              (std::vector<std::string>{"open", "isolate:" + motor, "rails", "motor:" + motor,
                                        "lamp:" + lamp, "join:K1", "sleeve", "leads", "tuck"}));
    const auto steps = stepsOf(job, {});
    EXPECT_EQ(plain(stepOf(steps, "isolate:" + motor).words),
              "Free the motor from the frame: tape under its brush strip");
    EXPECT_FALSE(cannotBeUndone(stepOf(steps, "isolate:" + motor)));
    // The house cuts strips: then what leads where is known before.
    const Job otherwise = jotted(job, {"school isolation cut-strip"});
    const auto cut = stepsOf(otherwise, houseOf(otherwise, {}));
    EXPECT_TRUE(cannotBeUndone(stepOf(cut, "isolate:" + motor)));
    EXPECT_EQ(plain(stepOf(cut, "isolate:" + motor).proved), "which strip leads to the frame");
}
TEST(Steps, OfASocketedModelAreFew) {
    Job job = hardWired();
    job.wanted.socket = job.decoder->part.plug = "8-pin";
    job.groups.clear();
    job.bank.reset();
    const std::string motor = job.units[0].motors[0].id;
    EXPECT_EQ(idsOf(job),
              (std::vector<std::string>{"open", "isolate:" + motor, "plug:D1", "tuck"}));
    EXPECT_EQ(stepOf(stepsOf(job, {}), "isolate:" + motor).kind, StepKind::Probe);
}
TEST(Steps, OfABatteryModelHaveFuseSwitchAndCharging) {
    Job job = hardWired();
    job.feed = Feed::BatteryRadio;
    const auto ids = idsOf(job);
    EXPECT_EQ(std::count(ids.begin(), ids.end(), "rails"), 0);
    const auto fuse = std::find(ids.begin(), ids.end(), "fuse");
    ASSERT_NE(fuse, ids.end());
    EXPECT_EQ(*(fuse + 1), "cut-off");
    EXPECT_EQ(*(fuse + 2), "charge");
}
TEST(Steps, OfATrainCountTheCircuitsOfItsPlugs) {
    const Job train =
        jotted(hardWired(), {"unit saloon called tender", "contacts 2", "lamp tail red in tender"});
    const auto steps = stepsOf(train, {});
    const Step& plug = stepOf(steps, "coupling:" + train.units[0].id);
    EXPECT_NE(plain(plug.words).find("on 2 contacts"), std::string::npos) << plain(plug.words);
}
TEST(Steps, OfAStructureHaveNoBodyToTakeOff) {
    const Job house = jotted(tests::newJob("Light", "lighthouse"), {"lamp lantern white"});
    EXPECT_EQ(idsOf(house), (std::vector<std::string>{"lamp:" + house.groups[0].id, "sleeve"}));
}
TEST(Steps, ThatCutSolderHeatGlueOrChargeCarryACaution) {
    for (const StepKind kind : {StepKind::Cut, StepKind::Drill, StepKind::Insulate, StepKind::Plug,
                                StepKind::Solder, StepKind::Glue, StepKind::Charge})
        EXPECT_FALSE(cautionOf(kind).empty());
    for (const StepKind kind : {StepKind::Open, StepKind::Probe, StepKind::Close})
        EXPECT_TRUE(cautionOf(kind).empty());
}
TEST(Steps, ThatCannotBeUndoneSayWhatIsProvedFirst) {
    Job job = hardWired();
    job.board.fate = BoardFate::Replaced;
    job.groups[0].rows[0].bore = Bore{Millimetres{2.4}};
    std::size_t lasting = 0;
    for (const Step& step : stepsOf(job, {})) {
        if (!cannotBeUndone(step)) continue;
        ++lasting;
        EXPECT_FALSE(step.proved.empty()) << step.id;
    }
    EXPECT_EQ(lasting, 2U);
}

}  // namespace
}  // namespace glimmet::core
