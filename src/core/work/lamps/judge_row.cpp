#include "core/work/lamps/judge_row.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/lamps/lamp_figures.h"
#include "core/work/lamps/row_verdict.h"
#include "core/work/lamps/row_words.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

/// A row with all that its sentence, its figures and its options are made of.
struct JudgedRow {
    const JobAnalysis& facts;
    const LampGroup& group;
    std::size_t row;
    const GroupState& state;
    RowVerdict verdict;
    /// What lights it where its target cannot be had.
    std::optional<SmallResistor> small{};
    bool shared = false;   ///< what the rows share is the cause
    std::size_t last = 0;  ///< of those after it that are the same and told with it
    bool own = false;      ///< a resistor of its own ends it

    [[nodiscard]] const Job& job() const { return facts.job; }
    [[nodiscard]] const RowState& made() const { return state.rows[row]; }
    [[nodiscard]] std::string called() const { return rowName(group, row); }
    [[nodiscard]] bool is(RowTrouble trouble) const { return verdict.trouble == trouble; }
    [[nodiscard]] bool burns() const { return is(RowTrouble::Burns) || is(RowTrouble::MayBurn); }
    /// No resistor gives it its target.
    [[nodiscard]] bool starved() const { return !(made().ideal > Ohms{0}); }
};

void offerFirst(Finding& finding, Option option) {
    finding.options.insert(finding.options.begin(), std::move(option));
}

/// What each battery that gives these volts makes of a lamp without a resistor.
std::vector<Option> whichBattery(Amperes bare) {
    return {answer(text("A coin cell"), text("its own resistance limits the current"), State::Close,
                   "battery coin"),
            answer(text("2 pen cells"), text("%1, it burns", formatted(bare, 3)), State::Over,
                   "battery 2 AA")};
}

Option turnRound(const JudgedRow& one) {
    Option turn;
    turn.what = text("turn it round");
    turn.effect = text("it lights");
    turn.state = State::Fine;
    turn.jot = "turned " + one.called() + " none";
    return turn;
}

/// On a coin cell what it has now is no way out; where nobody knows the battery, that is asked.
void offerForItsCell(const JudgedRow& one, Finding& finding) {
    if (!one.is(RowTrouble::WhichBattery) && !one.is(RowTrouble::CoinCell)) return;
    std::erase_if(finding.options, [](const Option& each) { return each.jot.ends_with(" none"); });
    if (!one.is(RowTrouble::WhichBattery)) return;
    const auto answers = whichBattery(one.made().current);
    finding.options.insert(finding.options.begin(), answers.begin(), answers.end());
}

/// A board that carries resistors wants no second one.
void offerTheBoards(const JudgedRow& one, Finding& finding) {
    const FactoryBoard& board = one.job().board;
    const bool carried = board.resistors == true && board.fate && *board.fate != BoardFate::None &&
                         *board.fate != BoardFate::Replaced;
    if (carried && one.is(RowTrouble::NoResistor) && one.group.output != supplyOutput)
        offerFirst(finding, withoutResistor(one.called(), text("the board carries it")));
}

/// No resistor, or a small one, where its target cannot be had.
void offerSmall(const JudgedRow& one, Finding& finding) {
    const SmallResistor& small = *one.small;
    const std::size_t alike = waitingAlike(one.group, one.state, one.row);
    const bool all = alike > 1 && alike == one.group.rows.size();
    const std::string named = all ? one.group.name : one.called();
    Option option = withoutResistor(named, effectWords(one.group, small.current));
    option.state = small.state;
    if (small.value > Ohms{0}) {
        option.what =
            all ? text("%1 for each", formatted(small.value)) : text("%1", formatted(small.value));
        option.jot = "resistor " + named + " " + jotOhms(small.value);
    }
    finding.options = {std::move(option)};
    if (auto split = splitOption(one.facts, one.group))
        finding.options.push_back(std::move(*split));
}

Text sentenceOf(const JudgedRow& one, const std::optional<Text>& anyway, bool fine,
                const std::vector<Option>& options) {
    const Text said =
        anyway ? *anyway
        : one.small && !(one.small->value > Ohms{0})
            ? text("%1 has no resistor yet. Without one it takes %2, %3.", atStart(one.called()),
                   formatted(one.small->current, 3), lightWords(one.group, one.small->current))
            : rowSentence(one.group, one.row, one.state, one.verdict.trouble, options);
    if (one.last == one.row || one.is(RowTrouble::NoResistor)) return said;
    const std::size_t more = one.last - one.row;
    if (!fine) {
        return more == 1 ? text("%1 The next row is the same.", said)
                         : text("%1 The next %2 rows are the same.", said, std::to_string(more));
    }
    return more == 1 ? text("%1 So does the next row.", said)
                     : text("%1 So do the next %2 rows.", said, std::to_string(more));
}

/// A row of its own resistor ends what rows do to each other behind a shared one.
void offerItsOwn(JudgedRow& one, Finding& finding) {
    const LampGroup& group = one.group;
    const bool several = group.rows.size() > 1 && !one.state.pair;
    const bool behindShared = group.shared() > Ohms{0} && several &&
                              !(group.rows[one.row].resistor.value_or(Ohms{0}) > Ohms{0});
    one.own =
        (one.burns() && behindShared) ||
        ((one.is(RowTrouble::SupplyTooLow) || (one.is(RowTrouble::TooDim) && one.starved())) &&
         sharedTakesTooMuch(group, one.state, one.row));
    if (one.own) finding.action = text("own resistors for %1", group.name);
    if (one.shared || one.own)
        finding.options = {ownOption(group)};
    else if (one.burns() && several)  // one row alone would be left uneven
        offerFirst(finding, ownOption(group));
}

/// What its decoder takes away it can give back, with no iron.
void offerBrightness(const JudgedRow& one, Finding& finding) {
    LampGroup brightened = one.group;
    brightened.dimmed = 1;
    if (!(one.group.dimmed < 1) || !one.is(RowTrouble::TooDim) ||
        rowVerdict(one.made(), brightened).trouble != RowTrouble::None) {
        return;
    }
    const double full = std::min(1.0, (one.group.wish.target / one.made().current).value());
    const double share = std::ceil(full * 100) / 100;
    brightened.dimmed = share;
    Option brighter;
    brighter.what = text("brightness %1", percent(share));
    brighter.effect = effectWords(brightened, one.made().current);
    brighter.state = State::Fine;
    brighter.jot =
        "dim " + one.group.name + " " +
        (share < 1 ? formatted(share * 100, Dimension::Ratio) + "%" : std::string("full"));
    finding.action = text("more brightness for %1", one.called());
    offerFirst(finding, std::move(brighter));
}

/// A target that can be had: what it gives as it is.
void offerLessTarget(const JudgedRow& one, Finding& finding) {
    if (one.own || !one.is(RowTrouble::TooDim) || !one.starved() ||
        boardAloneWillDo(one.group, one.state, one.row)) {
        return;
    }
    const std::string amps = formatted(one.made().current, 2);
    finding.action = text("a smaller wish for %1", one.group.name);
    Option less;
    less.what = text("wish for %1", amps);
    less.effect = text("what it gives as it is");
    less.state = State::Fine;
    less.jot = "target " + one.group.name + " " + amps;
    offerFirst(finding, std::move(less));
}

/// A row too long for the voltage is as many shorter ones.
void offerShorterRows(const JudgedRow& one, Finding& finding) {
    const bool starves = one.is(RowTrouble::SupplyTooLow) || one.is(RowTrouble::MayBeDark) ||
                         (one.is(RowTrouble::TooDim) && one.starved());
    if (!starves || one.own || one.shared) return;
    if (auto option = splitOption(one.facts, one.group))
        finding.options.push_back(std::move(*option));
}

/// Of a target beyond its limit there is one within.
void offerTargetWithin(const JudgedRow& one, Finding& finding) {
    const Amperes limit = one.made().limit;
    if (!one.is(RowTrouble::NoResistor) || !one.group.hasTarget() || one.group.atFull() <= limit)
        return;
    const Amperes most{std::floor(limit.value() * 0.8 * 1000) / 1000};
    if (!(most > Amperes{0})) return;
    Option within;
    within.what = text("a target of %1", formatted(most));
    within.effect = text("%1 of its limit of %2", percent(most / limit), formatted(limit, 3));
    within.state = State::Ask;
    within.jot = "target " + one.group.name + " " + formatted(most);
    offerFirst(finding, std::move(within));
}

std::vector<Figure> figuresOfRow(const JudgedRow& one) {
    const LampGroup& group = one.group;
    const Figure wish =
        group.dimmed < 1 ? figures::computed(
                               text("Current for the wished light, dimmed"), "I_wish",
                               group.atFull(), "I_target / share",
                               {targetFigure(group, "I_target"),
                                figures::chosen(text("Dimmed to"), "share", group.dimmed,
                                                text("by the decoder"), "dim " + group.name + " ")})
                         : targetFigure(group, "I_wish");
    const Figure bus = feedFigure(one.job(), group, one.facts.house);
    if (one.is(RowTrouble::SupplyTooLow)) return {bus, wish};
    if (one.is(RowTrouble::NoResistor)) return {wish, bus};
    std::vector<Figure> all = rowFigures(one.job(), group, one.row, one.state, one.facts.house);
    all.push_back(figures::computed(isDigital(one.job().feed) ? text("Glows from track volts")
                                                              : text("Glows from supply volts"),
                                    "V_glow", one.state.glowFrom, "", {}));
    all.push_back(wish);
    return all;
}

/// Its verdict, with what lights it where its target cannot be had.
JudgedRow judgedRow(const JobAnalysis& facts, const LampGroup& group, std::size_t row,
                    const GroupState& state) {
    const RowState& made = state.rows[row];
    const bool never =
        group.rows[row].backwards && made.connected && !lightsTurned(facts.job, group);
    JudgedRow one{facts, group, row, state,
                  never ? RowVerdict{RowTrouble::Turned, State::Over, Gravity::DoesNotWork}
                        : onItsCell(facts.job, group, row, rowVerdict(made, group))};
    // A target that nobody set, or that is missed by little, is no reason to say that a lamp stays
    // dark.
    if (one.is(RowTrouble::SupplyTooLow) && !made.connected) {
        one.small = smallResistor(facts, group, row);
        if (one.small && group.hasTarget() && one.small->current < group.atFull() * 0.5)
            one.small.reset();
        if (one.small) one.verdict = {RowTrouble::NoResistor, State::Ask, Gravity::DoesNotWork};
    }
    return one;
}

/// What stands first among its options: resistors, as a rule.
std::vector<Option> firstOptions(const JudgedRow& one, RowsTogether& together) {
    if (one.is(RowTrouble::Turned)) return {turnRound(one)};
    if (one.state.pair) return pairOptions(one.job(), one.group, one.made(), one.facts.house);
    if (one.shared) return {};
    return together.options(one.job(), one.group, one.row, one.made(), one.facts.house);
}

}  // namespace

void judgeRow(const JobAnalysis& facts, const LampGroup& group, std::size_t row,
              const GroupState& state, const std::optional<Text>& anyway, RowsTogether& together,
              Judging& judging) {
    JudgedRow one = judgedRow(facts, group, row, state);
    one.shared = together.sharedIsTheCause;
    const bool fine = one.verdict.state == State::Fine && !anyway;
    const bool likeTheNext = fine || together.alike();
    if (likeTheNext && asTheOneBefore(group, state, row)) return;
    // Then the group says it; of a row only what can be destroyed is told.
    if (one.shared && one.verdict.gravity < Gravity::PartDestroyed) return;
    if (together.unevenBehindShared && one.is(RowTrouble::MayBeDark)) return;
    one.last = row;
    while (likeTheNext && asTheOneBefore(group, state, one.last + 1)) ++one.last;
    judging.say("lamp.current:" + rowId(group, row), subjectOf(group), one.verdict.state,
                one.verdict.gravity, [&](Finding& finding) {
                    finding.options = firstOptions(one, together);
                    offerForItsCell(one, finding);
                    offerTheBoards(one, finding);
                    if (one.small) offerSmall(one, finding);
                    finding.sentence = sentenceOf(one, anyway, fine, finding.options);
                    finding.action = one.shared
                                         ? text("own resistors for %1", group.name)
                                         : rowAction(one.last > row ? group.name : one.called(),
                                                     one.verdict.trouble);
                    offerItsOwn(one, finding);
                    offerBrightness(one, finding);
                    offerLessTarget(one, finding);
                    offerShorterRows(one, finding);
                    offerTargetWithin(one, finding);
                    if (group.rows[row].lamps.front().part.family == LedFamily::UltraViolet) {
                        finding.caution = text(
                            "Ultra-violet light hurts eyes without being seen: do not look into "
                            "it, and keep it from view.");
                    }
                    finding.figures = figuresOfRow(one);
                });
}

}  // namespace glimmet::core::lamps
