#include "core/work/job_rooms.h"

#include "core/work/choose/choose.h"
#include "core/work/intake/intake.h"
#include "core/work/lamps/lamps.h"
#include "core/work/measure/measure.h"
#include "core/work/own_rules.h"
#include "core/work/prove/prove.h"
#include "core/work/record_verbs.h"
#include "core/work/reserve/reserve.h"

namespace glimmet::core {
namespace {

constinit const JobRoom rooms[] = {intake::room, prove::room, measure::room,
                                   choose::room, lamps::room, reserve::room};

}  // namespace

std::span<const JobRoom> jobRooms() { return rooms; }

const std::vector<SpokenCommand>& jobCommands() {
    static const std::vector<SpokenCommand> all = [] {
        std::vector<SpokenCommand> made;
        for (const JobRoom& room : rooms) {
            for (const jot::Command& command : room.commands())
                made.push_back({&command, room.name});
        }
        for (const auto commands : {recordCommands(), bodyCommands(), ownRuleCommands()}) {
            for (const jot::Command& command : commands) made.push_back({&command, {}});
        }
        return made;
    }();
    return all;
}

}  // namespace glimmet::core
