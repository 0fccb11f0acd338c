// Every bank of the catalogue on a job, side by side: what each comes to, in the order of their
// rank.
#pragma once

#include "core/text.h"
#include "core/work/stay_alive/bank_options.h"

#include <vector>

namespace glimmet::core::stay_alive {

enum class BankAspect { Holds, Volts, Charge, Full, Resistor, Cells, Night, Years, Stage, Price };
struct BankCell {
    BankAspect aspect{};
    Text words;  ///< "170 ms"; "–" where there is nothing to say
    State state = State::Fine;
    Text means;  ///< a sentence
};
struct BankRow {
    RankedBank bank;
    std::vector<BankCell> cells;  ///< one of each aspect, in that order
};
/// "holds", "rated" …
[[nodiscard]] Text heading(BankAspect aspect);
/// Empty where nothing would be charged: without a bus above what a processor needs.
[[nodiscard]] std::vector<BankRow> bankRows(const JobAnalysis& facts);

/// The capacitance that would hold for a second, by a bank that was worked out: time is in
/// proportion to it. Nothing where no bank of the catalogue runs empty.
[[nodiscard]] std::optional<Farads> faradsForASecond(const std::vector<BankRow>& rows);

}  // namespace glimmet::core::stay_alive
