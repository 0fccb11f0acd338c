#include "core/work/lamps/judge_path.h"

#include "core/analysis/lamps/row_names.h"
#include "core/led/light_path.h"
#include "core/quantity/format.h"

namespace glimmet::core::lamps {
namespace {

constexpr double hardlyPasses = 0.05;  ///< a colour before a lamp
constexpr double shades = 0.8;         ///< past a wire or a post
constexpr Millimetres onTheWay{50};    ///< where its shadow is told
constexpr double aimFirst = 0.5;       ///< of what would get into a guide without a gap
/// What is seen is as from a bare LED at: below these dark, seen in a dark room only.
constexpr Amperes dark{5e-6};
constexpr Amperes seenInTheDark = glowCurrent;

Text guideWords(const LightGuide& guide) {
    return guide.kind == GuideKind::Pipe ? text("light pipe") : text("light fibre");
}

std::vector<Figure> shareFigures(const LightPath& path, const LightPassed& made) {
    std::vector<Figure> all;
    if (path.guide) {
        all.push_back(figures::assumed(
            text("Gets into the %1", guideWords(*path.guide)), "k_in", made.entry,
            text("an LED's face sends out as a matt face does, %1 before an end of %2",
                 formatted(path.guide->gap), formatted(path.guide->bore))));
        all.push_back(figures::assumed(text("Comes through it"), "k_through", made.along,
                                       text("usual loss over %1", formatted(path.guide->length))));
    }
    if (path.filter) {
        all.push_back(figures::assumed(text("Passes the colour before it"), "k_colour", made.filter,
                                       text("usual for %1", std::string(name(*path.filter)))));
    }
    if (path.diffuser) {
        all.push_back(figures::assumed(text("Passes the diffuser"), "k_diffuser", made.diffuser,
                                       text("usual for an opal sheet")));
    }
    if (path.obstacle) {
        all.push_back(figures::computed(
            text("Passes what stands before it"), "k_past", made.obstacle, "",
            {figures::chosen(text("Across it"), "w", path.obstacle->across, text("as noted")),
             figures::chosen(text("Away from the LED"), "d", path.obstacle->away,
                             text("as noted"))}));
    }
    return all;
}

Figure arriving(const std::vector<Figure>& all, double total) {
    std::string formula;
    for (const Figure& share : all) formula += (formula.empty() ? "" : " · ") + share.symbol;
    return figures::computed(text("Of its light is seen"), "k", total, formula, all);
}

/// A row whose light has a way to go, and what of it arrives.
struct Arriving {
    const LampGroup& group;
    std::size_t at;
    double total;  ///< of its light
    LightPassed through;
    Amperes gives;  ///< of a bulb by the LED that gives as much

    [[nodiscard]] const LampRow& row() const { return group.rows[at]; }
    [[nodiscard]] std::string called() const { return rowName(group, at); }
    [[nodiscard]] Amperes bare() const { return gives * total; }
    [[nodiscard]] bool wrongColour() const {
        return row().path.filter && through.filter <= hardlyPasses;
    }
    [[nodiscard]] bool faint() const { return bare() < seenInTheDark; }
    [[nodiscard]] bool gapped() const {
        return row().path.guide && through.entry < aimFirst * through.atBest;
    }
    [[nodiscard]] bool shaded() const { return through.obstacle < shades; }
    [[nodiscard]] State verdict() const {
        return wrongColour() || bare() < dark    ? State::Over
               : gapped() || faint() || shaded() ? State::Close
                                                 : State::Fine;
    }
    [[nodiscard]] Text looks() const {
        return bare() < dark ? text("%1 looks dark", atStart(called()))
                             : text("%1 is seen in a dark room only", atStart(called()));
    }
    /// A way with more of its light.
    [[nodiscard]] Option offer(Text what, double then, std::string line) const {
        Option option;
        option.what = std::move(what);
        option.effect = text("about %1 of its light is seen", percent(then));
        option.state = gives * then < dark            ? State::Over
                       : gives * then < seenInTheDark ? State::Close
                                                      : State::Fine;
        option.jot = std::move(line);
        return option;
    }
};

void sayWrongColour(const Arriving& one, Finding& finding) {
    finding.sentence = text(
        "The light of %1 hardly passes the %2 before it: about %3 is seen. Behind %2 belongs an "
        "LED whose light has that colour in it, %2 or white.",
        one.called(), std::string(name(*one.row().path.filter)), percent(one.total));
    finding.action = text("another LED or another colour for %1", one.called());
    finding.options = {one.offer(text("Nothing coloured before it"), one.total / one.through.filter,
                                 "filter " + one.called() + " none")};
}

void sayGapped(const Arriving& one, Finding& finding) {
    const LightGuide& guide = *one.row().path.guide;
    const double more = one.through.atBest / one.through.entry;
    const std::string gain = formatted(more, Dimension::Ratio, 2);
    finding.sentence =
        one.faint()
            ? text(
                  "%1: of its light about %2 arrives. Across the gap of %3 most misses the "
                  "%4; close to it %5 times as much gets in.",
                  one.looks(), percent(one.total), formatted(guide.gap), guideWords(guide), gain)
            : text(
                  "Aim %1 before giving it more current: across the gap of %2 most of its "
                  "light misses the %3; close to it %4 times as much gets in.",
                  one.called(), formatted(guide.gap), guideWords(guide), gain);
    finding.action = text("the LED of %1 up to its %2", one.called(), guideWords(guide));
    finding.options = {one.offer(text("Bring the LED up to its %1", guideWords(guide)),
                                 one.total * more,
                                 std::string(name(guide.kind)) + " " + one.called() + " gap 0mm")};
}

void sayShaded(const Arriving& one, Finding& finding) {
    finding.sentence = text(
        "What stands %1 before %2 takes %3 of its light and throws a shadow of %4 at %5: move it "
        "aside, or farther off.",
        formatted(one.row().path.obstacle->away), one.called(), percent(1 - one.through.obstacle),
        formatted(shadowAt(*one.row().path.obstacle, onTheWay), 2), formatted(onTheWay));
    finding.action = text("nothing before %1", one.called());
    finding.options = {one.offer(text("Nothing before it"), one.total / one.through.obstacle,
                                 "shadow " + one.called() + " none")};
}

void sayArriving(const Arriving& one, Finding& finding) {
    finding.figures = {arriving(shareFigures(one.row().path, one.through), one.total)};
    if (one.wrongColour()) return sayWrongColour(one, finding);
    if (one.gapped()) return sayGapped(one, finding);
    if (one.shaded()) return sayShaded(one, finding);
    if (one.faint()) {
        finding.sentence = text("%1: of its light about %2 arrives, as from a bare LED at %3.",
                                one.looks(), percent(one.total), formatted(one.bare(), 2));
        finding.action = text("a shorter way for the light of %1, or more current", one.called());
        return;
    }
    finding.sentence = text("Of the light of %1 about %2 is seen: as bright as a bare LED at %3.",
                            one.called(), percent(one.total), formatted(one.bare(), 2));
}

void judgePaths(const LampGroup& group, const GroupState& state, Judging& judging) {
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const LampRow& row = group.rows[r];
        const RowState& made = state.rows[r];
        // Of a lamp that is dark by itself that is the thing to say.
        const bool lit =
            group.isBulbs() ? made.light > 0 : made.current >= darkBelow(group.wish.target);
        if (row.path.isOpen() || !made.connected || !lit) continue;
        const Arriving one{
            group, r, made.arrives, passed(row.path, lightFamily(row.lamps.front().part)),
            group.isBulbs() ? Amperes{made.light * familyTestCurrent} : made.current};
        const State verdict = one.verdict();
        const Gravity gravity = verdict == State::Over    ? Gravity::DoesNotWork
                                : verdict == State::Close ? Gravity::WorksBadly
                                                          : Gravity::CouldBeBetter;
        judging.say("lamp.path:" + rowId(group, r), subjectOf(group), verdict, gravity,
                    [&](Finding& finding) { sayArriving(one, finding); });
    }
}

void judgeWalls(const LampGroup& group, const GroupState& state, Judging& judging) {
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const auto& wall = group.rows[r].wall;
        const RowState& made = state.rows[r];
        if (!wall || !made.connected || !(made.light > 0)) continue;
        const double share = leaks(*wall);
        const Amperes shows{made.light * share * familyTestCurrent};
        const bool glows = shows >= seenInTheDark;
        judging.say(
            "lamp.leak:" + rowId(group, r), subjectOf(group), glows ? State::Close : State::Fine,
            glows ? Gravity::LooksUneven : Gravity::CouldBeBetter, [&](Finding& finding) {
                const std::string called = rowName(group, r);
                const std::string what =
                    formatted(wall->thickness) + " of " + std::string(name(wall->material));
                finding.sentence =
                    glows
                        ? text(
                              "The wall glows with %1: %2 lets about %3 of its light through. Line "
                              "it with foil or black paint.",
                              called, what, percent(share))
                    : wall->lined
                        ? text("Lined, the wall shows nothing of %1.", called)
                        : text("Nothing to speak of comes of %1 through %2.", called, what);
                finding.figures = {figures::assumed(text("Comes through the wall"), "k_wall", share,
                                                    text("usual for light ones"),
                                                    "wall " + called + " ")};
                if (!glows) return;
                finding.action = text("foil or black paint inside, round %1", called);
                Option line;
                line.what = text("foil or black paint inside");
                line.effect = text("nothing comes through");
                line.state = State::Fine;
                line.jot = "wall " + called + " lined";
                finding.options = {std::move(line)};
            });
    }
}

void judgeGaps(const LampGroup& group, const GroupState& state, Judging& judging) {
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const auto& wall = group.rows[r].wall;
        const RowState& made = state.rows[r];
        if (!wall || !wall->gap || !made.connected || !(made.light > 0)) continue;
        const double share = shinesThroughGap(*wall);
        const bool shows = Amperes{made.light * share * familyTestCurrent} >= seenInTheDark;
        judging.say(
            "lamp.gap:" + rowId(group, r), subjectOf(group), shows ? State::Close : State::Fine,
            shows ? Gravity::LooksUneven : Gravity::CouldBeBetter, [&](Finding& finding) {
                const std::string called = rowName(group, r);
                const Text where =
                    wall->gap->at == Seam::Roof ? text("under the roof") : text("along the frame");
                const std::string across = formatted(wall->gap->across);
                finding.sentence =
                    shows ? text(
                                "A line of light shows %1: its gap of %2 lets about %3 of what %4 "
                                "throws on it straight out. Close it with a strip of foil tape or "
                                "a thread of black wax, inside.",
                                where, across, percent(share), called)
                          : text("The gap of %1 %2 shows nothing of %3.", across, where, called);
                finding.figures = {figures::computed(
                    text("Comes straight out of the gap"), "k_gap", share, "√(1 + (t/g)²) − t/g",
                    {figures::chosen(text("Wall at the gap"), "t", wall->thickness, {},
                                     "wall " + called + " "),
                     figures::chosen(text("Its gap"), "g", wall->gap->across, {},
                                     "wall " + called + " gap ")})};
                if (!shows) return;
                finding.action = text("close the gap %1, inside", where);
                Option closed;
                closed.what = text("the gap closed");
                closed.effect = text("nothing shows there");
                closed.state = State::Fine;
                closed.jot = "wall " + called + " gap 0mm";
                finding.options = {std::move(closed)};
            });
    }
}

}  // namespace

void judgeLight(const LampGroup& group, const GroupState& state, Judging& judging) {
    judgePaths(group, state, judging);
    judgeWalls(group, state, judging);
    judgeGaps(group, state, judging);
}

}  // namespace glimmet::core::lamps
