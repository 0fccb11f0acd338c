// Empty pads of a board: whether a bank goes there, found out by meter.
#pragma once

#include "core/analysis/stay_alive/bank_state.h"
#include "core/work/stage.h"

namespace glimmet::core::stay_alive {

/// What two empty pads are, by what was read at them.
enum class PadsUse {
    Unread,   ///< no volts were read yet
    Bank,     ///< the bus stands between them: a bank goes there
    Logic,    ///< less than the bus: what feeds the processor
    Rails,    ///< volts that turn round: the track's or the motor's
    Link,     ///< no volts at all
    Between,  ///< above the bus, or no volts that anything on a board has
};
/// `bus`: what the decoder's or board's bus has on this track.
[[nodiscard]] PadsUse useOf(const EmptyPads& pads, Volts bus);

/// The pads where a bank goes, plus and minus told apart; nullptr: none was found.
[[nodiscard]] const EmptyPads* padsForBank(const Job& job, Volts bus);

void judgePads(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::stay_alive
