// What each rule of the house means, and what another would change on a job.
#include "core/house/rules/rules.h"
#include "core/quantity/format.h"
#include "core/work/standing.h"

#include <array>

namespace glimmet::core::rules {
namespace {

/// A rule with its sentence, and other values of it that workshops use.
struct Entry {
    const char* id;
    const char* title;
    std::string jot;
    Text value;
    Text sentence;
    std::vector<std::pair<std::string, House>> others;  ///< the line that takes it, and the house
    bool usual = true;
};

template <class Value>
std::vector<std::pair<std::string, House>> with(const House& house, Value House::*field,
                                                std::initializer_list<Value> values,
                                                std::string (*line)(Value)) {
    std::vector<std::pair<std::string, House>> all;
    for (const Value value : values) {
        if (value == house.*field) continue;
        House other = house;
        other.*field = value;
        all.emplace_back(line(value), other);
    }
    return all;
}
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

std::vector<Entry> entriesOf(const House& house) {
    static const House usual;
    std::vector<Entry> all;
    all.push_back(
        {"rule", "Rating rule", "rule ", verbatim(std::string(name(house.rule))),
         ruleSentence(house.rule),
         with<RatingRule>(house, &House::rule,
                          {RatingRule::Strict, RatingRule::Slip, RatingRule::Running},
                          [](RatingRule rule) { return "rule " + std::string(name(rule)); }),
         house.rule == usual.rule});
    const auto share = [&](const char* id, const char* title, const char* word,
                           double House::*field, std::array<double, 3> values, Text sentence,
                           std::string (*line)(double)) {
        Entry made{id, title, word, verbatim(percent(house.*field)), std::move(sentence), {}, true};
        for (const double value : values) {
            House other = house;
            other.*field = value;
            if (!(other == house)) made.others.emplace_back(line(value), other);
        }
        House same = house;
        same.*field = usual.*field;
        made.usual = same == house;
        all.push_back(std::move(made));
    };
    share("margin", "Close margin", "margin ", &House::closeMargin, {0.10, 0.15, 0.25},
          text("Within %1 of a limit a verdict is “close”.", percent(house.closeMargin)),
          [](double value) { return "margin " + plainNumber(value * 100) + "%"; });
    share("spread", "Supply spread", "spread ", &House::supplySpread, {0.02, 0.05, 0.10},
          text("Track volts are taken to differ by %1 from place to place.",
               percent(house.supplySpread)),
          [](double value) { return "spread " + plainNumber(value * 100) + "%"; });
    const auto drop = [&](const char* id, const char* title, const char* word, Volts House::*field,
                          std::array<Volts, 3> values, Text sentence, std::string (*line)(Volts)) {
        Entry made{id, title, word, verbatim(formatted(house.*field)), std::move(sentence),
                   {}, true};
        for (const Volts value : values) {
            House other = house;
            other.*field = value;
            if (!(other == house)) made.others.emplace_back(line(value), other);
        }
        House same = house;
        same.*field = usual.*field;
        made.usual = same == house;
        all.push_back(std::move(made));
    };
    drop("rectifier", "Rectifier drop", "rectifier ", &House::rectifier,
         {Volts{0.7}, Volts{1.2}, Volts{1.6}},
         text("A decoder's rectifier is taken to drop %1 until it is measured.",
              formatted(house.rectifier)),
         [](Volts value) { return "rectifier " + plainNumber(value.value()) + "V"; });
    drop("bridge", "Motor bridge drop", "bridge ", &House::bridge,
         {Volts{0.2}, Volts{0.4}, Volts{1.0}},
         text("A decoder's motor bridge is taken to drop %1 until it is measured.",
              formatted(house.bridge)),
         [](Volts value) { return "bridge " + plainNumber(value.value()) + "V"; });
    drop("switch", "Output switch drop", "switch ", &House::outputSwitch,
         {Volts{0.05}, Volts{0.1}, Volts{0.6}},
         text("A lit output is taken to drop %1 until it is measured.",
              formatted(house.outputSwitch)),
         [](Volts value) { return "switch " + plainNumber(value.value()) + "V"; });
    all.push_back(
        {"drawers", "Resistors at hand", "drawers ", verbatim(std::string(name(house.drawers))),
         text("New lamps get resistors of the %1 series: those in the drawers.",
              std::string(name(house.drawers))),
         with<Series>(house, &House::drawers, {Series::E6, Series::E12, Series::E24, Series::E96},
                      [](Series series) { return "drawers " + std::string(name(series)); }),
         house.drawers == usual.drawers});
    return all;
}

/// How the stages of a job stand with a house.
std::vector<std::pair<const char*, State>> stages(const Job& job, const Catalogue& catalogue,
                                                  const House& house) {
    std::vector<std::pair<const char*, State>> all;
    for (const StageStanding& stage : standing(job, findings(job, catalogue, house))) {
        all.emplace_back(stage.title, stage.worst);
    }
    return all;
}

/// What another house would change on the example: "Ling: Measure from fine to over".
Text changeOn(const WorkshopFacts& facts, const House& other) {
    if (!facts.example) return text("put a model on the bench to see what it changes");
    const Job& job = *facts.example;
    const auto now = stages(job, facts.catalogue, facts.workshop.house);
    const auto then = stages(job, facts.catalogue, other);
    Text all;
    for (std::size_t i = 0; i < now.size() && i < then.size(); ++i) {
        if (now[i].second == then[i].second) continue;
        Text one = text("%1 from %2 to %3", text(now[i].first),
                        text(std::string(name(now[i].second)).c_str()),
                        text(std::string(name(then[i].second)).c_str()));
        all = all.empty() ? std::move(one) : text("%1, %2", std::move(all), std::move(one));
    }
    return all.empty() ? text("on %1 every verdict stays", job.name)
                       : text("on %1: %2", job.name, std::move(all));
}

}  // namespace

std::vector<Rule> rulesOf(const House& house) {
    std::vector<Rule> all;
    for (Entry& entry : entriesOf(house)) {
        all.push_back(
            {entry.id, entry.title, std::move(entry.value), std::move(entry.jot), entry.usual});
    }
    return all;
}

bool applies(const WorkshopRecord&) { return true; }
Idle idle(const WorkshopRecord& workshop) {
    return {workshop == WorkshopRecord() ? text("as every workshop begins")
                                         : text("rules of its own"),
            true};
}

void judge(const WorkshopFacts& facts, Judging& judging) {
    for (Entry& entry : entriesOf(facts.workshop.house)) {
        judging.say(std::string("house.") + entry.id, {entry.id, entry.title}, State::Fine,
                    Gravity::CouldBeBetter, [&](Finding& finding) {
                        finding.sentence = entry.sentence;
                        finding.figures = {};
                        for (const auto& [line, other] : entry.others) {
                            Option option;
                            option.what = verbatim(line);
                            option.effect = changeOn(facts, other);
                            option.state = State::Fine;
                            option.jot = line;
                            finding.options.push_back(std::move(option));
                        }
                    });
    }
}

}  // namespace glimmet::core::rules
