#include "core/work/stay_alive/bank_cells.h"

#include "core/analysis/stay_alive/consequences.h"
#include "core/quantity/format.h"
#include "core/work/stay_alive/judge_fitting.h"

#include <algorithm>

namespace glimmet::core::stay_alive {
namespace {

Text noValue() { return verbatim("–"); }

BankCell holdCell(const RankedBank& one) {
    const auto& time = one.state.hold->time;
    const std::string needed = formatted(one.state.needed, 2);
    if (!time)
        return {BankAspect::Holds, text("for good"), holdState(one.state),
                text("Its loads stop drawing before it is empty; %1 are needed.", needed)};
    return {BankAspect::Holds, verbatim(formatted(*time, 2)), holdState(one.state),
            one.state.worst ? text("Holds %1, in the worst case %2; %3 are needed.",
                                   formatted(*time, 2), formatted(*one.state.worst, 2), needed)
                            : text("Holds %1; %2 are needed.", formatted(*time, 2), needed)};
}

BankCell voltsCell(const RankedBank& one) {
    const BankPart& part = one.bank.part;
    const double margin = voltsMargin(part.kind, one.state.bank.charge > Ohms{0});
    return {BankAspect::Volts, verbatim(formatted(part.rated, 3)), voltsState(part, one.state),
            text("Rated %1; up to %2 come, and %3 should be in hand.", formatted(part.rated, 3),
                 formatted(one.state.highest, 3), formatted(one.state.highest * margin, 3))};
}

BankCell chargeCell(const RankedBank& one, const Job& job) {
    if (allowedState(job, one.bank.part) == State::Over) {
        const std::string most = formatted(*job.decoder->part.mostBank);
        return {BankAspect::Charge, verbatim(most), State::Over,
                text("The decoder's leaflet allows a bank of %1 at the most.", most)};
    }
    if (!(one.state.bank.charge > Ohms{0}))
        return {BankAspect::Charge, noValue(), State::Over, text("Nothing limits its charge.")};
    const Amperes peak = chargePeak(one.state.bank, one.state.bus);
    return {BankAspect::Charge, verbatim(formatted(peak, 2)), chargeState(one.bank, one.state),
            text("Charges with %1 at first, %2 after 0.1 s.", formatted(peak, 2),
                 formatted(chargeAfter(one.state, programmingTime), 2))};
}

BankCell fullCell(const RankedBank& one) {
    const Seconds time = rechargeTime(one.state.bank, one.state.full, Volts{0});
    return {BankAspect::Full, verbatim(formatted(time, 2)), State::Fine,
            text("Full after %1.", formatted(time, 2))};
}

BankCell resistorCell(const RankedBank& one, const Loads& loads, bool dirty) {
    if (!(one.state.bank.charge > Ohms{0}))
        return {BankAspect::Resistor, noValue(), State::Fine, {}};
    const std::string once = formatted(chargeEnergy(one.state.bank, one.state.bus), 2);
    const Watts half = heatOffHalfOfTheTime(one.state, loads);
    return {BankAspect::Resistor, verbatim(once),
            dirty && half > resistorBears ? State::Close : State::Fine,
            text("Its charge resistor gets %1 at each charge, %2 while it is without power half of "
                 "the time.",
                 once, formatted(half, 2))};
}

BankCell cellsCell(const RankedBank& one) {
    if (one.bank.part.inSeries < 2)
        return {BankAspect::Cells, noValue(), State::Fine, text("Not made of cells in a row.")};
    if (one.bank.part.balanced)
        return {BankAspect::Cells, text("even"), State::Fine,
                text("A resistor across each cell shares the volts evenly.")};
    const double share = overloadedCells(one.bank.part, one.state);
    return {BankAspect::Cells, verbatim(percent(share)), cellsState(share),
            text("In %1 of such banks a cell gets more than it bears.", percent(share))};
}

BankCell nightCell(const RankedBank& one) {
    const Volts left = leftInTheMorning(one.bank.part, one.state);
    return {
        BankAspect::Night, left > Volts{0.05} ? verbatim(formatted(left, 2)) : verbatim("0 V"),
        State::Fine,
        text("Of what its decoder leaves in it %1 are there in the morning.", formatted(left, 2))};
}

BankCell yearsCell(const RankedBank& one) {
    const double left = leftInTenYears(one.bank, one.state);
    const auto& time = one.state.hold->time;
    const bool shorter = time && *time >= one.state.needed && *time * left < one.state.needed;
    return {BankAspect::Years, verbatim(percent(left)), shorter ? State::Close : State::Fine,
            text("In ten years of 100 hours it has %1 of its farads.", percent(left))};
}

BankCell roomCell(const RankedBank& one) {
    const BankPart& part = one.bank.part;
    const std::string size =
        formatted(part.length) + " × " + formatted(part.width) + " × " + formatted(part.height);
    return {BankAspect::Stage, one.room ? verbatim(one.hollow) : text("none"),
            one.room ? State::Fine : State::Close,
            one.room ? text("%1: it lies in %2.", size, inHollow(one.hollow, one.orientation))
                     : text("%1: no hollow holds it.", size)};
}

BankCell priceCell(const RankedBank& one) {
    const auto& asked = one.bank.part.price;
    return {BankAspect::Price, asked ? verbatim(formatted(*asked, Dimension::Ratio, 4)) : noValue(),
            State::Fine, asked ? text("In the workshop's money.") : text("No price is known.")};
}

}  // namespace

Text heading(BankAspect aspect) {
    switch (aspect) {
        case BankAspect::Holds:
            return text("holds");
        case BankAspect::Volts:
            return text("rated");
        case BankAspect::Charge:
            return text("charge");
        case BankAspect::Full:
            return text("full");
        case BankAspect::Resistor:
            return text("heat");
        case BankAspect::Cells:
            return text("cells");
        case BankAspect::Night:
            return text("night");
        case BankAspect::Years:
            return text("10 y");
        case BankAspect::Stage:
            return text("room");
        case BankAspect::Price:
            break;
    }
    return text("price");
}

std::vector<BankRow> bankRows(const JobAnalysis& facts) {
    std::vector<BankRow> rows;
    const Loads& loads = loadsOf(facts);
    const bool dirty = stuttersMuch(facts.job);
    for (RankedBank& one : rankedBanks(facts, loads)) {
        if (!(one.state.bus > processorMinimum)) return {};
        BankRow row{std::move(one), {}};
        row.cells = {holdCell(row.bank),
                     voltsCell(row.bank),
                     chargeCell(row.bank, facts.job),
                     fullCell(row.bank),
                     resistorCell(row.bank, loads, dirty),
                     cellsCell(row.bank),
                     nightCell(row.bank),
                     yearsCell(row.bank),
                     roomCell(row.bank),
                     priceCell(row.bank)};
        rows.push_back(std::move(row));
    }
    return rows;
}

std::optional<Farads> faradsForASecond(const std::vector<BankRow>& rows) {
    for (const BankRow& row : rows) {
        const auto& time = row.bank.state.hold->time;
        if (time && *time > Seconds{0})
            return capacitanceOf(row.bank.bank) * (Seconds{1} / *time).value();
    }
    return {};
}

}  // namespace glimmet::core::stay_alive
