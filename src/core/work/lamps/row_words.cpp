#include "core/work/lamps/row_words.h"

#include "core/analysis/lamps/row_names.h"
#include "core/quantity/format.h"

namespace glimmet::core::lamps {

namespace {

/// A row and the words that most of its sentences have.
struct Spoken {
    const LampGroup& group;
    std::size_t row;
    const GroupState& state;
    [[nodiscard]] const RowState& made() const { return state.rows[row]; }
    [[nodiscard]] std::string called() const { return atStart(rowName(group, row)); }
    [[nodiscard]] std::string amps() const { return formatted(made().current, 3); }
    [[nodiscard]] std::string limit() const { return formatted(made().limit, 3); }
    [[nodiscard]] Text light() const { return lightWords(group, made().current * made().duty); }
};

Text supplyTooLow(const Spoken& of) {
    if (sharedTakesTooMuch(of.group, of.state, of.row)) {
        return text(
            "%1 cannot have %2: at that current the resistance that all rows share takes more than "
            "%3 leave. Give each row a resistor of its own.",
            of.called(), formatted(of.group.atFull()), formatted(of.state.bus));
    }
    return text(
        "%1 stays dim or dark: %2 is too little for its LEDs at %3. Put fewer in a row or wish for "
        "less.",
        of.called(), formatted(of.state.bus), formatted(of.group.atFull()));
}

Text noResistor(const Spoken& of, const std::vector<Option>& options) {
    if (of.group.hasTarget() && of.group.atFull() > of.made().limit) {
        return text("The wish of %1 is above what %2 bears: %3. It has no resistor yet.",
                    formatted(of.group.atFull(), 3), rowName(of.group, of.row), of.limit());
    }
    if (const std::size_t alike = waitingAlike(of.group, of.state, of.row); alike > 1) {
        const Text all =
            text("%1: %2 rows have no resistor yet", atStart(of.group.name), std::to_string(alike));
        return options.empty()
                   ? text("%1.", all)
                   : text("%1: %2 gives %3.", all, options.front().what, options.front().effect);
    }
    return options.empty() ? text("%1 has no resistor yet.", of.called())
                           : text("%1 has no resistor yet: %2 gives %3.", of.called(),
                                  options.front().what, options.front().effect);
}

Text burns(const Spoken& of) {
    if (of.group.rows[of.row].resistor->value() > 0 || of.group.shared() > Ohms{0})
        return text("%1 burns: it takes %2, its limit is %3.", of.called(), of.amps(), of.limit());
    return of.state.outputSeries > Ohms{0}
               ? text("%1 burns: with only the board's %2 it takes %3, its limit is %4.",
                      of.called(), formatted(of.state.outputSeries), of.amps(), of.limit())
               : text("%1 burns: with no resistor it takes %2, its limit is %3.", of.called(),
                      of.amps(), of.limit());
}

/// Why no resistor gives it its target.
Text starvedBy(const Spoken& of) {
    const Ohms board = of.state.outputSeries;
    // Nor would it be more with nothing on the board.
    const bool tooManyInARow =
        !(of.made().ideal + board * static_cast<double>(of.group.rows.size()) > Ohms{0});
    if (sharedTakesTooMuch(of.group, of.state, of.row)) {
        return text(
            "The resistance that all rows share takes the rest. Give each row a resistor of its "
            "own.");
    }
    if (boardAloneWillDo(of.group, of.state, of.row)) {
        return text("Its own %1 comes on top of the board's %2: leave its own out.",
                    formatted(*of.group.rows[of.row].resistor), formatted(board));
    }
    if (board > Ohms{0} && !tooManyInARow) {
        return text(
            "The board's own %1 take the rest: wish for less, or put fewer lamps on this output.",
            formatted(board));
    }
    return text(
        "%1 is too little for its LEDs at that current: wish for less, or put fewer in a row.",
        formatted(of.state.bus));
}

Text tooDim(const Spoken& of) {
    const LampGroup& group = of.group;
    if (!(of.made().ideal > Ohms{0})) {
        return text("%1 works, but %2: %3 where %4 was wished. %5", of.called(), of.light(),
                    of.amps(), formatted(group.atFull(), 3), starvedBy(of));
    }
    if (group.dimmed < 1) {
        return text("%1 works, but dimmed to %2 it is %3: it shines as at %4 where %5 was wished.",
                    of.called(), percent(group.dimmed), of.light(),
                    formatted(of.made().current * group.dimmed, 3),
                    formatted(group.wish.target, 3));
    }
    return text("%1 works, but %2: %3 where %4 was wished.", of.called(), of.light(), of.amps(),
                formatted(group.atFull(), 3));
}

Text works(const Spoken& of) {
    const RowState& made = of.made();
    if (made.duty < 1) {
        return text("%1 lights half of the time: %2 of its %3 at the peak, %4 on average, %5.",
                    of.called(), of.amps(), of.limit(), formatted(made.current * made.duty, 3),
                    of.light());
    }
    if (made.resistorPower > Watts{0.05}) {
        return text("%1 works: %2 of its %3, %4; its resistor takes %5, so %6 will do.",
                    of.called(), of.amps(), of.limit(), of.light(),
                    formatted(made.resistorPower, 2), resistorBody(made.resistorPower));
    }
    return text("%1 works: %2 of its %3, %4.", of.called(), of.amps(), of.limit(), of.light());
}

}  // namespace

Text rowSentence(const LampGroup& group, std::size_t row, const GroupState& state,
                 RowTrouble trouble, const std::vector<Option>& options) {
    const Spoken of{group, row, state};
    const RowState& made = of.made();
    switch (trouble) {
        case RowTrouble::SupplyTooLow:
            return supplyTooLow(of);
        case RowTrouble::NoResistor:
            return noResistor(of, options);
        case RowTrouble::Burns:
            return burns(of);
        case RowTrouble::MayBurn:
            return text(
                "%1 can burn: it takes %2, and up to %3 in the worst case; its limit is %4.",
                of.called(), of.amps(), formatted(made.highest, 3), of.limit());
        case RowTrouble::WhichBattery:
            return text(
                "Which battery is it? %1 has no resistor, and only a coin cell limits its current. "
                "Any other battery of %2 burns it: it takes %3, its limit is %4.",
                of.called(), formatted(state.bus), of.amps(), of.limit());
        case RowTrouble::CoinCell:
            return text(
                "%1 works on a coin cell, whose own resistance limits it to %2. On any other "
                "supply it burns: its limit is %3.",
                of.called(), of.amps(), of.limit());
        case RowTrouble::TooHot:
            return text(
                "%1 lights, but its resistor would have to give off %2: in a model that melts what "
                "is near.",
                of.called(), formatted(made.resistorPower, 2));
        case RowTrouble::Dark:
            return group.hasTarget()
                       ? text("%1 stays dark: it takes %2; its target is %3.", of.called(),
                              of.amps(), formatted(group.atFull(), 3))
                       : text("%1 stays dark: it takes only %2.", of.called(), of.amps());
        case RowTrouble::TooDim:
            return tooDim(of);
        case RowTrouble::Turned:
            return text(
                "%1 stays dark: it stands the other way round, and here the volts never turn "
                "round.",
                of.called());
        case RowTrouble::MayBeDark:
            return text("%1 works at %2, but hardly glimmers where the supply is lowest: %3.",
                        of.called(), of.amps(), formatted(made.lowest, 2));
        case RowTrouble::TooBright:
            return text("%1 works, but %2: %3 where %4 was wished.", of.called(), of.light(),
                        of.amps(), formatted(group.atFull(), 3));
        case RowTrouble::NearLimit:
            return text("%1 works, but close to its limit: %2, up to %3 in the worst case, of %4.",
                        of.called(), of.amps(), formatted(made.highest, 3), of.limit());
        case RowTrouble::None:
            break;
    }
    return works(of);
}

Text rowAction(const std::string& called, RowTrouble trouble) {
    switch (trouble) {
        case RowTrouble::SupplyTooLow:
            return text("shorten the row of %1", called);
        case RowTrouble::NoResistor:
            return text("choose the resistor of %1", called);
        case RowTrouble::Burns:
        case RowTrouble::MayBurn:
        case RowTrouble::TooBright:
            return text("larger resistor for %1", called);
        case RowTrouble::WhichBattery:
            return text("say which battery feeds %1", called);
        case RowTrouble::CoinCell:
            return text("fit a resistor to %1 before it moves to another supply", called);
        case RowTrouble::TooHot:
            return text("less current or fewer volts for %1", called);
        case RowTrouble::Dark:
        case RowTrouble::TooDim:
            return text("smaller resistor for %1", called);
        case RowTrouble::Turned:
            return text("turn %1 round", called);
        case RowTrouble::NearLimit:
        case RowTrouble::MayBeDark:
        case RowTrouble::None:
            break;
    }
    return {};
}

}  // namespace glimmet::core::lamps
