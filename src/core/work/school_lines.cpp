#include "core/work/school_lines.h"

#include "core/quantity/format.h"
#include "core/work/jotted.h"

#include <algorithm>
#include <string>

namespace glimmet::core {
namespace {

using namespace jot;

constexpr const char* asTheHouse = "house";

/// Calls visit(word, what it is, rule of the house, the same of a job) for each.
template <class Visit>
void forEachSchool(Visit visit) {
    using House = WorkshopRules;
    using Own = JobOverrides;
    visit("isolation", "how a brush is kept off the frame", &House::isolation, &Own::isolation);
    visit("decoder-joint", "how a decoder is joined where there is no socket", &House::decoderJoint,
          &Own::decoderJoint);
    visit("wire-joint", "how two wires are joined", &House::wireJoint, &Own::wireJoint);
    visit("resistor-place", "where a lamp's resistor sits", &House::resistorPlace,
          &Own::resistorPlace);
    visit("speed-curve", "what sets the speeds", &House::speedCurve, &Own::speedCurve);
    visit("run-in", "how long a model is run in each way", &House::runIn, &Own::runIn);
    visit("first-power", "where a model gets its first power", &House::firstPower,
          &Own::firstPower);
    visit("direction", "what is changed in a model that runs backwards", &House::directionBy,
          &Own::directionBy);
    visit("lighting-bus", "the voltage of a layout's lamps", &House::lightingBus,
          &Own::lightingBus);
    visit("address", "where a model's address comes from", &House::address, &Own::address);
}

}  // namespace

namespace jot {

std::vector<Named> schoolNames(const Context&) {
    std::vector<Named> all;
    forEachSchool([&](const char* word, const char* what, auto, auto) {
        all.push_back({word, {}, what});
    });
    return all;
}
/// The words of all schools; which of them go with the one that is meant is told in a refusal.
std::vector<Named> schoolValues(const Context&) {
    std::vector<Named> all;
    forEachSchool([&](const char*, const char* what, auto rule, auto) {
        using Value = std::decay_t<decltype(WorkshopRules().*rule)>;
        if constexpr (Worded<Value>) {
            for (const auto& each : wordsOf(Value())) {
                const bool there = std::any_of(all.begin(), all.end(), [&](const Named& one) {
                    return one.name == each.word;
                });
                if (!there) all.push_back({std::string(each.word), {}, what});
            }
        }
    });
    return all;
}
std::vector<Named> schoolValuesOrHouse(const Context& context) {
    std::vector<Named> all = schoolValues(context);
    all.push_back({asTheHouse, {}, "as the house does"});
    return all;
}

}  // namespace jot

namespace {

template <class Value>
std::optional<Value> valueSaid(const ParsedLine& said) {
    if constexpr (Worded<Value>) {
        const auto& word = said.name("VALUE");
        return word ? named<Value>(*word) : std::nullopt;
    } else if constexpr (dimensionOf<Value> == Dimension::Time) {
        return said.one<Seconds>("TIME");
    } else {
        return said.one<Volts>("VOLTS");
    }
}
template <class Value>
std::string shown(const Value& value) {
    if constexpr (Worded<Value>)
        return std::string(name(value));
    else
        return formatted(value);
}
template <class Value>
Text allowed() {
    if constexpr (Worded<Value>) {
        std::string all;
        for (const auto& each : wordsOf(Value()))
            all += (all.empty() ? "" : ", ") + std::string(each.word);
        return text("one of: %1", all);
    } else {
        return dimensionOf<Value> == Dimension::Time ? text("a time such as 30min")
                                                     : text("a voltage such as 12V");
    }
}

/// How many values a line names, of whatever kind: one is taken, none or two are not.
std::size_t valuesSaid(const ParsedLine& said) {
    return (said.name("VALUE") ? 1U : 0U) + said.at("TIME").quantities.size() +
           said.at("VOLTS").quantities.size();
}

/// take(rule of the house, of a job, its value): false where nothing was said that fits.
template <class Take>
std::optional<Text> unfit(const ParsedLine& said, Take take) {
    std::optional<Text> refusal;
    forEachSchool([&](const char* word, const char*, auto rule, auto own) {
        if (said.name("WHICH") != word) return;
        using Value = std::decay_t<decltype(WorkshopRules().*rule)>;
        if (valuesSaid(said) != 1 || !take(rule, own, valueSaid<Value>(said))) {
            refusal = text("For %1 write %2.", std::string(word), allowed<Value>());
        }
    });
    return refusal;
}

}  // namespace

Result<JotResult> schoolOfJob(const ParsedLine& said) {
    JotResult made = jotted(said, {});
    const std::string& which = *said.name("WHICH");
    const auto refusal = unfit(said, [&](auto, auto own, const auto& value) {
        const bool house = said.name("VALUE") == asTheHouse;
        if (!value && !house) return false;
        made.after.own.*own = value;
        made.meaning = value ? text("For this job, %1: %2", which, shown(*value))
                             : text("%1: as the house has it", which);
        return true;
    });
    if (refusal) return refuse(ErrorCode::NotUnderstood, *refusal);
    return made;
}

Result<WorkshopJotResult> schoolOfHouse(const ParsedLine& said) {
    WorkshopJotResult made{{}, *said.context.workshop, {}, "school"};
    const std::string& which = *said.name("WHICH");
    const auto refusal = unfit(said, [&](auto rule, auto, const auto& value) {
        if (!value) return false;
        made.after.house.*rule = *value;
        made.meaning = text("House, %1: %2", which, shown(*value));
        return true;
    });
    if (refusal) return refuse(ErrorCode::NotUnderstood, *refusal);
    return made;
}

}  // namespace glimmet::core
