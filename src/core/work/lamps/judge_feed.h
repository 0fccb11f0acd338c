// Checks of lamps that hang straight on the rails, and of lamps with a chip in them.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/rail_feed.h"
#include "core/finding/finding.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// Of what is charged, by whoever offers a capacitor.
[[nodiscard]] Text capacitorCaution();
/// A capacitor behind the bridge that keeps what the lamps hang on above `above` for `gap`; nothing
/// where no usual one does.
[[nodiscard]] std::optional<Option> capacitorOption(const RailFeed& feed, Seconds gap, Volts above,
                                                    Text effect);
/// A bridge rectifier before the lamps, with what it brings.
[[nodiscard]] Option bridgeOption(Text effect);
/// The capacitor behind their bridge: whether it carries the lamps over dirt, bears the volts and
/// draws no spark.
void judgeSmoothing(const JobAnalysis& facts, Judging& judging);
/// Chips that begin anew, and flashes that can hurt.
void judgeBlinkers(const JobAnalysis& facts, const LampGroup& group, Judging& judging);

}  // namespace glimmet::core::lamps
