#include "core/work/job_stages.h"

#include "core/work/dc_test/dc_test.h"
#include "core/work/decoder/decoder.h"
#include "core/work/first_power/first_power.h"
#include "core/work/fit/fit.h"
#include "core/work/hand_over/hand_over.h"
#include "core/work/intake/intake.h"
#include "core/work/job_overrides.h"
#include "core/work/lamps/lamps.h"
#include "core/work/measure/measure.h"
#include "core/work/meter/meter.h"
#include "core/work/record_verbs.h"
#include "core/work/run_in/run_in.h"
#include "core/work/settings/settings.h"
#include "core/work/stay_alive/stay_alive.h"
#include "core/work/wire/wire.h"

namespace glimmet::core {
namespace {

constinit const JobStage stages[] = {
    intake::stage,     dc_test::stage, measure::stage,  decoder::stage, lamps::stage,
    stay_alive::stage, fit::stage,     wire::stage,     meter::stage,   first_power::stage,
    settings::stage,   run_in::stage,  hand_over::stage};

}  // namespace

std::span<const JobStage> jobStages() { return stages; }

const std::vector<SpokenCommand>& jobCommands() {
    static const std::vector<SpokenCommand> all = [] {
        std::vector<SpokenCommand> made;
        for (const JobStage& stage : stages) {
            for (const jot::Command& command : stage.commands())
                made.push_back({&command, stage.name});
        }
        for (const auto commands : {recordCommands(), bodyCommands(), overrideCommands()}) {
            for (const jot::Command& command : commands) made.push_back({&command, {}});
        }
        return made;
    }();
    return all;
}

}  // namespace glimmet::core
