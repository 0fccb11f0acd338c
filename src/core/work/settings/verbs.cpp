// Jots of the settings: address, keys, speeds, momentum; what is in the decoder.
#include "core/analysis/function_map.h"
#include "core/analysis/settings_plan.h"
#include "core/cv/configuration.h"
#include "core/quantity/format.h"
#include "core/work/jotted.h"
#include "core/work/settings/settings.h"

#include <algorithm>
#include <charconv>
#include <sstream>

namespace glimmet::core::settings {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::optional<int> wholeIn(std::string_view words) {
    int number = 0;
    const auto [end, error] = std::from_chars(words.data(), words.data() + words.size(), number);
    if (error != std::errc() || end != words.data() + words.size()) return {};
    return number;
}

std::vector<std::string> wordsIn(const std::string& line) {
    std::string spaced = line;
    for (char& each : spaced) {
        if (each == ',' || each == '=' || each == ':') each = ' ';
    }
    std::vector<std::string> all;
    std::istringstream in(spaced);
    for (std::string word; in >> word;) all.push_back(lowered(word));
    return all;
}

tl::unexpected<Error> likeExample(const ParsedLine& said, Text what) {
    return refuse(ErrorCode::NotUnderstood,
                  text("%1 Write it like %2.", std::move(what), said.command.examples.front()));
}

WorkshopRules houseIn(const Context& context) {
    return houseOf(context.job, context.workshop ? context.workshop->house : WorkshopRules{});
}

std::optional<Error> withoutDecoder(const ParsedLine& said) {
    if (said.context.job.decoder) return {};
    return Error{ErrorCode::Missing, "jot",
                 text("There is no decoder yet that could be set: choose one first.")};
}

// --- address and direction ---------------------------------------------------------------------

std::vector<Named> consists(const Context&) {
    return {{"consist", {"shared"}, "it shares its address on purpose"}};
}
Result<JotResult> address(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const double typed = said.at("ADDRESS").quantities.front();
    const int number = static_cast<int>(typed);
    if (static_cast<double>(number) < typed)
        return likeExample(said, text("An address is a whole number."));
    if (number > highestLongAddress)
        return refuse(ErrorCode::OutOfRange,
                      text("Addresses go from 1 to %1.", std::to_string(highestLongAddress)));
    JotResult result = jotted(
        said, said.name("CONSIST") ? text("Address %1, shared on purpose", std::to_string(number))
                                   : text("Address %1", std::to_string(number)));
    result.after.settings.address = number;
    result.after.settings.consist = said.name("CONSIST").has_value();
    return result;
}
constexpr Argument addressArguments[] = {{.what = "ADDRESS",
                                          .needed = true,
                                          .missing = "Which address?",
                                          .dimension = Dimension::Ratio,
                                          .least = 1,
                                          .most = 1e6},
                                         {.what = "CONSIST",
                                          .kind = Kind::Name,
                                          .names = consists,
                                          .unknown = "“%1” has no place here."}};
constexpr const char* addressExamples[] = {"address 3107", "address 12 consist"};
constexpr const char* addressNoise[] = {"is"};

Result<JotResult> steps(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const auto words = wordsIn(said.rest);
    const auto number = words.empty() ? std::nullopt : wholeIn(words.front());
    if (!number || words.size() > 1 || (*number != 28 && *number != 128 && *number != 14))
        return likeExample(said, text("Speed steps are 28 or 128, in decoder and controller."));
    JotResult result = jotted(said, text("%1 speed steps", std::to_string(*number)));
    result.after.settings.speedSteps = *number;
    return result;
}
constexpr const char* stepsExamples[] = {"steps 28"};

// --- speeds and momentum -----------------------------------------------------------------------

struct SpeedPlace {
    std::optional<double> Settings::*share;
    const char* meaning;
};
Result<JotResult> speed(const ParsedLine& said, SpeedPlace place) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const double share = said.at("SHARE").quantities.front();
    JotResult result =
        jotted(said, text(place.meaning, formatted(share * 100, Dimension::Ratio, 3)));
    result.after.settings.*place.share = share;
    return result;
}
Result<JotResult> top(const ParsedLine& said) {
    return speed(said, {&Settings::top, "Top speed: %1 % of full voltage"});
}
Result<JotResult> middle(const ParsedLine& said) {
    return speed(said, {&Settings::middle, "Middle speed: %1 % of full voltage"});
}
Result<JotResult> lowest(const ParsedLine& said) {
    return speed(said, {&Settings::start, "Start speed: %1 % of full voltage"});
}
constexpr Argument shareArguments[] = {{.what = "SHARE",
                                        .needed = true,
                                        .missing = "How much of full voltage?",
                                        .dimension = Dimension::Ratio,
                                        .least = 0.001,
                                        .most = 1,
                                        .unitNeeded = true}};
constexpr const char* topExamples[] = {"top speed 60%"};
constexpr const char* middleExamples[] = {"middle speed 25%"};
constexpr const char* lowestExamples[] = {"lowest speed 4%"};
constexpr const char* speedNoise[] = {"speed", "at", "of", "to"};

Result<JotResult> momentum(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const auto start = said.one<Seconds>("START"), stop = said.one<Seconds>("STOP");
    if (!start && !stop) return likeExample(said, text("Momentum of what?"));
    JotResult result =
        jotted(said, start && stop ? text("Momentum: %1 to top speed, %2 to rest",
                                          formatted(*start, 3), formatted(*stop, 3))
                     : start       ? text("Momentum: %1 to top speed", formatted(*start, 3))
                                   : text("Momentum: %1 to rest", formatted(*stop, 3)));
    Settings& own = result.after.settings;
    if (start) own.startTime = start;
    if (stop) {
        own.stopTime = stop;
        own.stop.reset();
    }
    return result;
}
constexpr Argument momentumArguments[] = {{.what = "START",
                                           .after = "start",
                                           .dimension = Dimension::Time,
                                           .least = 0,
                                           .most = 228,
                                           .zero = true},
                                          {.what = "STOP",
                                           .after = "stop",
                                           .dimension = Dimension::Time,
                                           .least = 0,
                                           .most = 228,
                                           .zero = true}};
constexpr const char* momentumExamples[] = {"momentum start 20s stop 12s"};

Result<JotResult> stops(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const auto within = said.one<Millimetres>("DISTANCE");
    const auto from = said.one<MetresPerSecond>("SPEED");
    if (!within || !from)
        return likeExample(said, text("Within which distance, from which speed?"));
    const StopWithin stop{*within, KilometresPerHour{*from}.value()};
    const Seconds time = stopTimeOf(stop, said.context.job.scale);
    constexpr Seconds most{228};
    if (time > most)
        return refuse(ErrorCode::OutOfRange, text("That takes %1; a decoder counts up to %2.",
                                                  formatted(time, 3), formatted(most, 3)));
    JotResult result =
        jotted(said, text("Stops within %1 from %2 km/h: %3", formatted(*within, 3),
                          formatted(stop.speed, Dimension::Ratio, 4), formatted(time, 3)));
    result.after.settings.stop = stop;
    result.after.settings.stopTime.reset();
    return result;
}
constexpr Argument stopsArguments[] = {{.what = "DISTANCE",
                                        .after = "within",
                                        .needed = true,
                                        .missing = "Within which distance?",
                                        .dimension = Dimension::Length,
                                        .least = 0.005,
                                        .most = 100,
                                        .unitNeeded = true},
                                       {.what = "SPEED",
                                        .after = "from",
                                        .needed = true,
                                        .missing = "From which speed?",
                                        .dimension = Dimension::Speed,
                                        .least = 0.5,
                                        .most = 140,
                                        .unitNeeded = true}};
constexpr const char* stopsExamples[] = {"stops within 40cm from 60km/h"};

// --- keys --------------------------------------------------------------------------------------

std::optional<std::string> outputNamed(const Job& job, const std::string& word) {
    std::vector<std::string> names;
    if (job.decoder) {
        for (const DecoderOutput& output : job.decoder->part.outputs) {
            if (lowered(output.name) == word || (!output.wire.empty() && output.wire == word))
                return output.name;
        }
    }
    for (const LampGroup& group : job.groups) {
        if (group.output == supplyOutput) continue;
        const std::string name = lowered(group.name);
        if (name == word || name.starts_with(word + " ") || lowered(group.output) == word)
            return group.output;
    }
    return {};
}

struct KeySaid {
    int key = 0;
    std::vector<std::string> outputs;
    std::optional<Direction> direction;
    std::optional<bool> momentary;
    std::string label, sound;
    bool nothing = false;
};
Result<KeySaid> keyIn(const ParsedLine& said) {
    const auto words = wordsIn(said.rest);
    KeySaid made;
    std::size_t at = 0;
    std::string digits = words.empty() ? "" : words[at++];
    if (digits.starts_with('f')) digits.erase(0, 1);
    if (digits.empty() && at < words.size()) digits = words[at++];
    const auto key = wholeIn(digits);
    if (!key || *key < 0 || *key > 68) return likeExample(said, text("Keys are F0 to F68."));
    made.key = *key;
    for (; at < words.size(); ++at) {
        const std::string& word = words[at];
        static constexpr std::string_view nothingNew[] = {"output", "outputs", "and",  "switches",
                                                          "is",     "the",     "lamp", "lamps",
                                                          "light",  "lights"};
        if (std::find(std::begin(nothingNew), std::end(nothingNew), word) != std::end(nothingNew))
            continue;
        if (word == "forward" || word == "reverse") {
            made.direction = word == "forward" ? Direction::Forward : Direction::Reverse;
        } else if (word == "momentary" || word == "latching") {
            made.momentary = word == "momentary";
        } else if (word == "nothing" || word == "none") {
            made.nothing = true;
        } else if (word == "called" || word == "sound") {
            std::string rest;
            for (std::size_t i = at + 1; i < words.size(); ++i)
                rest += (rest.empty() ? "" : " ") + words[i];
            if (rest.empty()) return likeExample(said, text("What follows “%1”?", word));
            (word == "called" ? made.label : made.sound) = rest;
            break;
        } else if (const auto output = outputNamed(said.context.job, word)) {
            made.outputs.push_back(*output);
        } else {
            return refuse(ErrorCode::Unknown,
                          text("The decoder has no output “%1”, and no lamp goes by that.", word));
        }
    }
    return made;
}

void setKey(std::vector<FunctionKey>& map, FunctionKey key) {
    std::erase_if(map, [&](const FunctionKey& each) {
        return each.key == key.key &&
               (!key.direction || !each.direction || each.direction == key.direction);
    });
    map.push_back(std::move(key));
}

Result<JotResult> key(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    auto made = keyIn(said);
    if (!made) return tl::unexpected(made.error());
    const std::string name = "F" + std::to_string(made->key);
    JotResult result = jotted(said, {});
    std::vector<FunctionKey>& map = result.after.functions;
    if (map.empty()) map = functionMap(said.context.job);
    const bool changes = !made->outputs.empty() || !made->sound.empty() || made->nothing;
    if (!changes) {
        bool any = false;
        for (FunctionKey& each : map) {
            if (each.key != made->key) continue;
            any = true;
            if (made->momentary) each.momentary = *made->momentary;
            if (!made->label.empty()) each.label = made->label;
        }
        if (!any || (!made->momentary && made->label.empty()))
            return likeExample(said, text("What does %1 switch?", name));
        result.meaning =
            made->label.empty()
                ? (*made->momentary ? text("%1 works while it is held", name)
                                    : text("%1 stays on until it is pressed again", name))
                : text("%1 is called “%2”", name, made->label);
        return result;
    }
    std::string all;
    for (const std::string& output : made->outputs) all += (all.empty() ? "" : ", ") + output;
    // "F0 front rear": each in its direction.
    const bool pair = made->key == 0 && !made->direction &&
                      made->outputs == std::vector<std::string>{"front", "rear"};
    if (pair) {
        setKey(map, {0,
                     Direction::Forward,
                     {"front"},
                     made->sound,
                     made->label,
                     made->momentary.value_or(false)});
        setKey(map, {0,
                     Direction::Reverse,
                     {"rear"},
                     made->sound,
                     made->label,
                     made->momentary.value_or(false)});
        result.meaning = text("F0: front forward, rear in reverse");
    } else {
        setKey(map, {made->key, made->direction, made->outputs, made->sound, made->label,
                     made->momentary.value_or(false)});
        result.meaning = made->nothing         ? text("%1 switches nothing", name)
                         : made->sound.empty() ? text("%1 switches %2", name, all)
                         : all.empty()         ? text("%1: sound %2", name, made->sound)
                                       : text("%1 switches %2, sound %3", name, all, made->sound);
    }
    std::stable_sort(map.begin(), map.end(), [](const FunctionKey& a, const FunctionKey& b) {
        return std::pair(a.key, a.direction) < std::pair(b.key, b.direction);
    });
    return result;
}
constexpr const char* keyExamples[] = {"key F1 output 1", "key F0 front rear"};

// --- values by number --------------------------------------------------------------------------

void setValue(std::vector<ConfigurationValue>& all, ConfigurationValue value) {
    std::erase_if(all, [&](const auto& each) { return each.number == value.number; });
    all.push_back(value);
}

std::optional<ConfigurationValue> valueIn(const std::vector<std::string>& words, std::size_t at) {
    if (at + 1 >= words.size()) return {};
    std::string number = words[at];
    if (number.starts_with("cv")) number.erase(0, 2);
    const auto which = wholeIn(number), value = wholeIn(words[at + 1]);
    if (!which || !value || *which < 1 || *which > 1024 || *value < 0 || *value > 255) return {};
    return ConfigurationValue{*which, *value};
}

Result<JotResult> cv(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const auto words = wordsIn(said.rest);
    const auto value = valueIn(words, 0);
    if (!value || words.size() != 2)
        return likeExample(said, text("A CV is a number from 1 to 1024, its value 0 to 255."));
    JotResult result = jotted(
        said, text("CV %1 = %2", std::to_string(value->number), std::to_string(value->value)));
    setValue(result.after.settings.own, *value);
    return result;
}
constexpr const char* cvExamples[] = {"cv 29 38"};

Result<JotResult> keyed(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const auto words = wordsIn(said.rest);
    const SettingsPlan plan = settingsPlan(said.context.job, houseIn(said.context));
    JotResult result = jotted(said, {});
    auto& ticked = result.after.settings.keyedIn;
    if (words.size() == 1 && words.front() == "all") {
        for (const KeyIn& each : plan.keyIn) setValue(ticked, {each.CV, each.value});
        result.meaning = text("In the decoder: all %1 values", std::to_string(plan.keyIn.size()));
        return result;
    }
    std::string number = words.empty() ? "" : words.front();
    if (number.starts_with("cv")) number.erase(0, 2);
    const auto which = wholeIn(number);
    const auto entry = std::find_if(plan.keyIn.begin(), plan.keyIn.end(),
                                    [&](const KeyIn& each) { return which == each.CV; });
    if (entry == plan.keyIn.end() || words.size() > 2)
        return likeExample(said, text("No CV of the plan is meant."));
    if (words.size() == 2 && wholeIn(words[1]) != entry->value)
        return refuse(ErrorCode::NotUnderstood,
                      text("CV %1 is planned as %2. To plan another value: cv %1 %3.",
                           std::to_string(entry->CV), std::to_string(entry->value), words[1]));
    setValue(ticked, {entry->CV, entry->value});
    result.meaning = text("In the decoder: %1", entry->press);
    return result;
}
constexpr const char* keyedExamples[] = {"keyed all", "keyed 29"};

Result<JotResult> readBack(const ParsedLine& said) {
    if (auto fault = withoutDecoder(said)) return tl::unexpected(std::move(*fault));
    const auto words = wordsIn(said.rest);
    SavedSettings read{said.context.today, {}};
    for (std::size_t at = 0; at < words.size(); at += 2) {
        const auto value = valueIn(words, at);
        if (!value)
            return likeExample(said, text("“%1” is no CV with a value from 0 to 255.", words[at]));
        setValue(read.values, *value);
    }
    if (read.values.empty()) return likeExample(said, text("What does the decoder hold?"));
    JotResult result =
        jotted(said, read.values.size() == 1
                         ? text("Read back: CV %1 = %2", std::to_string(read.values.front().number),
                                std::to_string(read.values.front().value))
                         : text("Read back: %1 values", std::to_string(read.values.size())));
    result.after.settings.read = std::move(read);
    return result;
}
constexpr const char* readExamples[] = {"read-back 17=204 18=35 29=38"};

/// "F0 front rear", "f3 output 2"
bool saysKey(const std::vector<Token>& line) {
    const std::string first = line.empty() ? "" : lowered(line.front().words);
    return line.size() > 1 && first.size() > 1 && first[0] == 'f' &&
           wholeIn(first.substr(1)).has_value();
}
/// "cv29 = 38"
bool saysValue(const std::vector<Token>& line) {
    const std::string first = line.empty() ? "" : lowered(line.front().words);
    return line.size() == 2 && first.starts_with("cv") && wholeIn(first.substr(2)).has_value();
}

constexpr Command command(const char* word, std::span<const char* const> examples,
                          const char* meaning, Result<JotResult> (*read)(const ParsedLine&)) {
    return {.word = word,
            .also = {},
            .arguments = {},
            .examples = examples,
            .meaning = meaning,
            .read = read,
            .sentence = true};
}
constexpr Command withImplied(Command made, bool (*implied)(const std::vector<Token>&)) {
    made.implied = implied;
    return made;
}
constexpr Command withLength(Command made, std::size_t longest) {
    made.longest = longest;
    return made;
}
constexpr const char* lowestAlso[] = {"least"};
constexpr const char* stopsAlso[] = {"stop"};

constexpr Command table[] = {
    {"address",
     {},
     addressArguments,
     addressExamples,
     "the address that the decoder answers to",
     address,
     false,
     addressNoise},
    command("steps", stepsExamples, "speed steps, in decoder and controller", steps),
    withImplied(command("key", keyExamples, "what a key switches", key), saysKey),
    {"momentum",
     {},
     momentumArguments,
     momentumExamples,
     "how slowly it starts and stops",
     momentum},
    {"stops", stopsAlso, stopsArguments, stopsExamples, "the distance that it stops in", stops},
    {"lowest", lowestAlso, shareArguments, lowestExamples, "the voltage of its first step", lowest,
     false, speedNoise},
    {"middle",
     {},
     shareArguments,
     middleExamples,
     "the voltage of its middle step",
     middle,
     false,
     speedNoise},
    {"top",
     {},
     shareArguments,
     topExamples,
     "the voltage of its last step",
     top,
     false,
     speedNoise},
    withImplied(command("cv", cvExamples, "a value by its number", cv), saysValue),
    command("keyed", keyedExamples, "a value is in the decoder", keyed),
    withLength(command("read-back", readExamples, "what the decoder holds", readBack), 20000)};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::settings
