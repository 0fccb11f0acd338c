// What each rule of the house means, and what another would change on a job.
#include "core/house/rules/rules.h"
#include "core/quantity/format.h"
#include "core/work/stage_status.h"

#include <optional>

namespace glimmet::core::rules {
namespace {

/// A rule with its sentence, and other values of it that workshops use.
struct Entry {
    const char* id;
    const char* title;
    std::string jot;
    Text value;
    Text sentence;
    std::vector<std::pair<std::string, WorkshopRules>>
        others;  ///< the line that takes it, and the house
    bool usual = true;
};

std::string plainNumber(double value) { return formatted(value, Dimension::Ratio); }

Text ruleSentence(RatingRule rule) {
    switch (rule) {
        case RatingRule::Strict:
            return text(
                "Strict: a decoder's continuous rating carries the stalled motor. Nothing a "
                "model does can hurt it; many models need a larger decoder than they have room "
                "for.");
        case RatingRule::Slip:
            return text(
                "Slip: the continuous rating carries slipping wheels, the peak carries the stall. "
                "What a model does for long is carried for long.");
        case RatingRule::Running:
            break;
    }
    return text(
        "Running: the continuous rating carries running with a quarter in hand. A model that is "
        "held back for long can hurt its decoder.");
}

/// A rule, the values of it that workshops use, and the line that takes each.
template <class Value, class Line>
Entry entry(const WorkshopRules& house, const char* id, const char* title,
            Value WorkshopRules::*field, std::initializer_list<Value> values, Text value,
            Text sentence, Line line) {
    Entry made{id, title, std::string(id) + " ", std::move(value), std::move(sentence), {}, true};
    for (const Value other : values) {
        WorkshopRules with = house;
        with.*field = other;
        if (!(with == house)) made.others.emplace_back(line(other), with);
    }
    WorkshopRules same = house;
    same.*field = WorkshopRules().*field;
    made.usual = same == house;
    return made;
}

Entry drawerEntry(const WorkshopRules& house) {
    std::string all;
    for (const std::string& id : house.decoders) all += (all.empty() ? "" : ", ") + id;
    return {"have",
            "Decoders in the drawer",
            "have ",
            all.empty() ? text("none") : verbatim(std::to_string(house.decoders.size())),
            all.empty() ? text("No decoder lies in the drawer: of equals the cheapest comes first.")
                        : text("Of decoders that do equally well these come first: %1.", all),
            {},
            all.empty()};
}

/// The bench meter, which judges nothing: no other value is offered to be tried.
Entry meterEntry(const std::string& meter) {
    return {
        "meter",
        "Bench meter",
        "meter ",
        meter.empty() ? text("none") : verbatim(meter),
        meter.empty()
            ? text("No bench meter is set up: readings are typed. One that speaks SCPI over "
                   "TCP is set up by its address: meter HOST:PORT.")
            : text("Readings can be taken from the meter at %1: begin a line and press F2.", meter),
        {},
        meter.empty()};
}

std::vector<Entry> entriesOf(const WorkshopRecord& workshop) {
    const WorkshopRules& house = workshop.house;
    const auto word = [](const char* command) {
        return
            [command](auto value) { return std::string(command) + " " + std::string(name(value)); };
    };
    const auto share = [](const char* command) {
        return [command](double value) {
            return std::string(command) + " " + plainNumber(value * 100) + "%";
        };
    };
    const auto volts = [](const char* command) {
        return [command](Volts value) {
            return std::string(command) + " " + plainNumber(value.value()) + "V";
        };
    };
    return {
        entry(house, "rule", "Rating rule", &WorkshopRules::rule,
              {RatingRule::Strict, RatingRule::Slip, RatingRule::Running},
              verbatim(std::string(name(house.rule))), ruleSentence(house.rule), word("rule")),
        entry(house, "margin", "Close margin", &WorkshopRules::closeMargin, {0.10, 0.15, 0.25},
              verbatim(percent(house.closeMargin)),
              text("Within %1 of a limit a verdict is “close”.", percent(house.closeMargin)),
              share("margin")),
        entry(house, "spread", "Supply spread", &WorkshopRules::supplySpread, {0.02, 0.05, 0.10},
              verbatim(percent(house.supplySpread)),
              text("Track volts are taken to differ by %1 from place to place.",
                   percent(house.supplySpread)),
              share("spread")),
        entry(house, "rectifier", "Rectifier drop", &WorkshopRules::rectifier,
              {Volts{0.7}, Volts{1.2}, Volts{1.6}}, verbatim(formatted(house.rectifier)),
              text("A decoder's rectifier is taken to drop %1 until it is measured.",
                   formatted(house.rectifier)),
              volts("rectifier")),
        entry(house, "bridge", "Motor bridge drop", &WorkshopRules::bridge,
              {Volts{0.2}, Volts{0.4}, Volts{1.0}}, verbatim(formatted(house.bridge)),
              text("A decoder's motor bridge is taken to drop %1 until it is measured.",
                   formatted(house.bridge)),
              volts("bridge")),
        entry(house, "switch", "Output switch drop", &WorkshopRules::outputSwitch,
              {Volts{0.05}, Volts{0.1}, Volts{0.6}}, verbatim(formatted(house.outputSwitch)),
              text("A lit output is taken to drop %1 until it is measured.",
                   formatted(house.outputSwitch)),
              volts("switch")),
        entry(house, "drawers", "Resistors at hand", &WorkshopRules::drawers,
              {Series::E6, Series::E12, Series::E24, Series::E96},
              verbatim(std::string(name(house.drawers))),
              text("New lamps get resistors of the %1 series: those in the drawers.",
                   std::string(name(house.drawers))),
              word("drawers")),
        entry(house, "leg", "Resistor's lead", &WorkshopRules::leg,
              {ResistorLeg::Minus, ResistorLeg::Plus}, verbatim(std::string(name(house.leg))),
              house.leg == ResistorLeg::Plus
                  ? text("A lamp's resistor goes into its plus lead, between common and lamp.")
                  : text("A lamp's resistor goes into its minus lead, between lamp and output."),
              word("leg")),
        entry(house, "resistors", "Lamps of one output", &WorkshopRules::lampResistors,
              {LampResistors::Each, LampResistors::Shared},
              verbatim(std::string(name(house.lampResistors))),
              house.lampResistors == LampResistors::Shared
                  ? text("Like lamps that are put on one output hang behind one resistor: less "
                         "work; the one of the lowest forward volts is the brightest, and all "
                         "burn hotter where one fails.")
                  : text("Each lamp that is put on an output gets a resistor of its own: all are "
                         "as bright as wished, and one that fails leaves the others alone."),
              word("resistors")),
        entry(house, "mains", "Mains", &WorkshopRules::mains, {Mains::Fifty, Mains::Sixty},
              verbatim(std::string(name(house.mains))),
              text("AC supplies are taken to have %1.", std::string(name(house.mains))),
              word("mains")),
        entry(house, "tolerance", "Meter's tolerance", &WorkshopRules::meterTolerance,
              {0.005, 0.01, 0.03}, verbatim(percent(house.meterTolerance)),
              text("A reading is taken to be off by %1 at the most; no volts are known better.",
                   percent(house.meterTolerance)),
              share("tolerance")),
        drawerEntry(house),
        meterEntry(workshop.meter)};
}

/// How the stages of a job stand with a house: verdicts alone, nothing is worded.
using Stages = std::vector<std::pair<const char*, State>>;
Stages stages(const Job& job, const Catalogue& catalogue, const WorkshopRules& house) {
    const JobAnalysis facts = analysed(job, house, catalogue);
    Stages all;
    for (const JobStage& each : jobStages()) {
        if (!each.applies(job)) continue;
        std::vector<Verdict> verdicts;
        Judging judging(verdicts);
        each.judge(facts, judging);
        State worst = State::Fine;
        for (const Verdict& verdict : verdicts) worst = worse(worst, verdict.state);
        all.emplace_back(each.title, worst);
    }
    return all;
}

/// What another house would change on the example, "Ling: Measure from fine to over", and the
/// gravest that comes of it.
struct Change {
    Text words;
    State worst = State::Fine;
};
Change changeOn(const WorkshopFacts& facts, const Stages& now, const WorkshopRules& other) {
    if (!facts.example) return {text("put a model on the bench to see what it changes")};
    const Job& job = *facts.example;
    const Stages then = stages(job, facts.catalogue, other);
    Text all;
    State worst = State::Fine;
    for (std::size_t i = 0; i < now.size() && i < then.size(); ++i) {
        if (now[i].second == then[i].second) continue;
        worst = std::max(worst, then[i].second);
        Text one = text("%1 from %2 to %3", text(now[i].first),
                        text(std::string(name(now[i].second)).c_str()),
                        text(std::string(name(then[i].second)).c_str()));
        all = all.empty() ? std::move(one) : text("%1, %2", std::move(all), std::move(one));
    }
    return {all.empty() ? text("on %1 every verdict stays", job.name)
                        : text("on %1: %2", job.name, std::move(all)),
            worst};
}

}  // namespace

std::vector<Rule> rulesOf(const WorkshopRecord& workshop) {
    std::vector<Rule> all;
    for (Entry& entry : entriesOf(workshop)) {
        all.push_back(
            {entry.id, entry.title, std::move(entry.value), std::move(entry.jot), entry.usual});
    }
    return all;
}

bool applies(const WorkshopRecord&) { return true; }
Idle idle(const WorkshopRecord& workshop) {
    return {workshop.house == WorkshopRules() ? text("as every workshop begins")
                                              : text("rules of its own"),
            true};
}

void judge(const WorkshopFacts& facts, Judging& judging) {
    std::optional<Stages> now;  // worked out when the first rule is worded
    for (Entry& entry : entriesOf(facts.workshop)) {
        judging.say(std::string("house.") + entry.id, {entry.id, entry.title}, State::Fine,
                    Gravity::CouldBeBetter, [&](Finding& finding) {
                        finding.sentence = entry.sentence;
                        finding.figures = {};
                        for (const auto& [line, other] : entry.others) {
                            Option option;
                            option.what = verbatim(line);
                            if (!now && facts.example) {
                                now = stages(*facts.example, facts.catalogue, facts.workshop.house);
                            }
                            Change change = changeOn(facts, now ? *now : Stages(), other);
                            option.effect = std::move(change.words);
                            option.state = change.worst;
                            option.jot = line;
                            finding.options.push_back(std::move(option));
                        }
                    });
    }
}

}  // namespace glimmet::core::rules
