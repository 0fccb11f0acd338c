// Jots that put lamps into a model and choose their resistors.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamp_sites.h"
#include "core/jot/names.h"
#include "core/led/preferred_value.h"
#include "core/led/wired_lamp.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/aspects.h"
#include "core/work/lamps/feed_verbs.h"
#include "core/work/lamps/install_verbs.h"
#include "core/work/lamps/lamp_verbs.h"
#include "core/work/lamps/lamp_words.h"
#include "core/work/lamps/lamps.h"
#include "core/work/lamps/more_lamps.h"
#include "core/work/lamps/new_lamp.h"
#include "core/work/lamps/path_verbs.h"
#include "core/work/lamps/resistor_verbs.h"
#include "core/work/lamps/wired_verb.h"
#include "core/work/units.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

using namespace jot;
using Kind = Argument::Kind;

constexpr Argument colour{.what = "COLOUR",
                          .kind = Kind::Name,
                          .names = colours,
                          .unknown = "“%1” is no colour of an LED. There are: %2."};

constexpr Argument forwardVolts{
    .what = "VOLTS",
    .dimension = Dimension::Voltage,
    .least = 0.8,
    .most = 6,
    .beyond =
        "No LED alone bears more. With its resistor inside it is: wired rear 12V 6.1mA 9V 4.1mA; "
        "a bulb is: bulb cab 12V 60mA."};
constexpr Argument forwardAmps{
    .what = "AMPS", .dimension = Dimension::Current, .least = 50e-6, .most = 0.5};
constexpr Argument lampOrPlace = [] {
    Argument made = lampGroup;
    made.names = lampsOrPlaces;
    return made;
}();

constexpr Argument wiredArguments[] = {
    lampOrPlace,
    colour,
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 20, .atMost = 6},
    {.what = "AMPS", .dimension = Dimension::Current, .least = 50e-6, .most = 0.5, .atMost = 6}};
constexpr Argument resistance{
    .what = "OHMS", .dimension = Dimension::Resistance, .least = 1, .most = 1e6, .zero = true};
constexpr Argument wish{
    .what = "AMPS", .dimension = Dimension::Current, .least = 20e-6, .most = 0.3};

std::vector<Named> sizeNames(const Context&) {
    std::vector<Named> all;
    for (const auto& [body, word] : wordsOf(LedBody())) {
        const std::string size(word);
        Named named{size, {}, "its size"};
        if (size.ends_with("mm")) named.also.push_back(size.substr(0, size.size() - 2) + " mm");
        all.push_back(std::move(named));
    }
    return all;
}

std::vector<Named> arrangements(const Context&) {
    return {{"in series", {"in a row", "in one row", "series", "one behind another"}, "one row"},
            {"in parallel", {"parallel", "side by side"}, "each with its own resistor"}};
}

std::vector<Named> fewCounts(const Context&) {
    std::vector<Named> all;
    for (int count = 2; count <= 12; ++count)
        all.push_back({std::to_string(count), {std::to_string(count) + "x"}, "lamps"});
    static constexpr const char* words[] = {"two", "three", "four"};
    for (std::size_t i = 0; i < std::size(words); ++i) all[i].also.push_back(words[i]);
    return all;
}

constexpr Argument lampCount{.what = "COUNT", .kind = Kind::Name, .names = fewCounts};

constexpr Argument lampArguments[] = {
    {.what = "PLACE",
     .kind = Kind::Name,
     .names = places,
     .rows = true,
     .unknown = "“%1” is no place of this model. There are: %2. Elsewhere a lamp gets a name: "
                "lamp white called %1."},
    colour,
    forwardVolts,
    forwardAmps,
    {.what = "WISH", .after = "for", .dimension = Dimension::Current, .least = 20e-6, .most = 0.3},
    {.what = "OUTPUT",
     .kind = Kind::Name,
     .after = "on",
     .names = outputsAndSupply,
     .unknown = "No output goes by “%1”. There are: %2.",
     .explained = true},
    {.what = "WORDS", .kind = Kind::Words, .after = "called"},
    unitArgument,
    {.what = "SIZE", .kind = Kind::Name, .names = sizeNames},
    {.what = "HOW", .kind = Kind::Name, .names = arrangements},
    lampCount,
    {.what = "OHMS", .dimension = Dimension::Resistance, .least = 47, .most = 1e6},
    // "move front to 2"
    {.what = "TO",
     .kind = Kind::Name,
     .after = "to",
     .names = outputsAndSupply,
     .unknown = "No output goes by “%1”. There are: %2.",
     .explained = true,
     .ofSeveral = true},
    // "1k on table lamp"
    [] {
        Argument made = lampGroup;
        made.what = "ON";
        made.after = "on";
        made.needed = false;
        made.ofSeveral = true;
        return made;
    }()};
constexpr const char* lampWords[] = {"move"};

constexpr Argument bulbArguments[] = {
    [] {
        Argument made = lampArguments[0];
        made.rows = false;
        return made;
    }(),
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.5, .most = 30},
    {.what = "AMPS", .dimension = Dimension::Current, .least = 5e-3, .most = 1},
    lampArguments[5],
    lampArguments[6],
    unitArgument};
constexpr Argument stripArguments[] = {
    [] {
        Argument made = lampArguments[0];
        made.rows = false;
        return made;
    }(),
    {.what = "COLOUR",
     .kind = Kind::Name,
     .names = stripNames,
     .unknown = "No strip goes by “%1”. There are: %2.",
     .none = "The catalogue has no strip."},
    {.what = "LENGTH",
     .needed = true,
     .missing = "How long is it?",
     .dimension = Dimension::Length,
     .least = 5e-3,
     .most = 3},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 30, .unitNeeded = true},
    lampArguments[5],
    lampArguments[6],
    unitArgument};
constexpr Argument neighbour = [] {
    Argument made = lampGroup;
    made.names = ownNames;
    return made;
}();

constexpr Argument anotherArguments[] = {
    neighbour,   colour,    forwardVolts,
    forwardAmps, lampCount, {.what = "SIZE", .kind = Kind::Name, .names = sizeNames}};
constexpr Argument pairArguments[] = {lampGroup, colour, forwardVolts, forwardAmps};

constexpr Argument turnedArguments[] = {lampGroup,
                                        {.what = "none", .kind = Kind::Name, .names = withoutIt}};

/// Said behind a value; a line of its own is "package".
std::vector<Named> bodyNames(const Context& context) {
    std::vector<Named> all = packageNames(context);
    all.pop_back();
    for (Named& each : all) each.hidden = true;
    return all;
}

constexpr Argument resistorArguments[] = {
    lampGroup,
    resistance,
    {.what = "none", .kind = Kind::Name, .names = noneOrOpen},
    {.what = "PACKAGE", .kind = Kind::Name, .names = bodyNames}};
constexpr Argument sharedArguments[] = {
    lampGroup, resistance, {.what = "none", .kind = Kind::Name, .names = noneOnly}};
constexpr Argument joinArguments[] = {[] {
                                          Argument made = lampGroup;
                                          made.names = ownNames;
                                          made.rows = false;
                                          return made;
                                      }(),
                                      [] {
                                          Argument made = lampGroup;
                                          made.what = "BESIDE";
                                          made.missing = "Beside which other lamp?";
                                          made.names = ownNames;
                                          made.rows = false;
                                          return made;
                                      }()};
constexpr Argument ownArguments[] = {lampGroup};

constexpr Argument otherLamp(const char* what, const char* after) {
    Argument made = lampGroup;
    made.what = what;
    made.after = after;
    made.needed = false;
    made.rows = false;
    return made;
}

constexpr Argument targetArguments[] = {lampGroup,
                                        wish,
                                        {.what = "SHARE", .kind = Kind::Name, .names = shareNames},
                                        otherLamp("OF", "of"),
                                        otherLamp("LIKE", "like"),
                                        otherLamp("AS", "as")};

constexpr Argument seriesArguments[] = {lampGroup,
                                        {.what = "NAME",
                                         .kind = Kind::Name,
                                         .names = seriesNames,
                                         .unknown = "“%1” is none of: %2, and no LED either."},
                                        colour};

constexpr Argument outputArguments[] = {
    {.what = "OUTPUT",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which output?",
     .names = outputs,
     .unknown = "The decoder has no output “%1”. There are: %2.",
     .none = "There is no decoder yet, so it has no outputs.",
     .explained = true},
    {.what = "OHMS", .dimension = Dimension::Resistance, .least = 1, .most = 1e5, .zero = true},
    {.what = "bare", .kind = Kind::Name, .names = bareOnly},
    {.what = "KIND", .kind = Kind::Name, .names = outputKindNames},
    {.what = "AMPS",
     .dimension = Dimension::Current,
     .least = 5e-3,
     .most = 0.5,
     .unitNeeded = true},
    {.what = "unmarked", .kind = Kind::Name, .names = unmarkedOnly}};
constexpr Argument placeArguments[] = {
    lampGroup,
    {.what = "BACK UP",
     .dimension = Dimension::Length,
     .least = 1e-6,
     .most = 3,
     .zero = true,
     .atMost = 2},
    {.what = "DIRECTION",
     .kind = Kind::Name,
     .after = "facing",
     .names = directions,
     .unknown = "A lamp faces front, rear or inside, not “%1”."}};
constexpr Argument removeArguments[] = {lampGroup};

constexpr const char* lampExamples[] = {"lamp rear red 2.0V 20mA", "lamp front white on white",
                                        "lamp cab warm white for 2mA",
                                        "lamp amber called fire glow"};

constexpr const char* wiredExamples[] = {"wired front/2 12V 8.4mA 9V 5.6mA",
                                         "wired rear lamp red 12V 10mA"};

constexpr const char* wiredWords[] = {"ready-wired"};

constexpr const char* parallelExamples[] = {"parallel front white"};

constexpr const char* inlineExamples[] = {"inline front red"};

constexpr const char* parallelLedExamples[] = {"twin front white"};

constexpr const char* resistorExamples[] = {"resistor front 2k2", "resistor front/2 none",
                                            "resistor front 1k 1/4W"};

constexpr const char* resistorWords[] = {"resistors"};

constexpr const char* resistorNoise[] = {"lamp", "lamps", "led", "output", "on",
                                         "has",  "in",    "its", "for",    "a"};

constexpr const char* pairExamples[] = {"antiparallel rear red",
                                        "antiparallel rear amber 2.0V 20mA"};

constexpr const char* turnedExamples[] = {"turned front", "turned front none"};

constexpr const char* turnedWords[] = {"flipped"};

constexpr const char* sharedExamples[] = {"shared front 330", "shared front none"};

constexpr const char* ownExamples[] = {"own front"};

constexpr const char* splitExamples[] = {"split front"};

constexpr const char* joinExamples[] = {"join rear lamp front lamp"};

constexpr const char* joinNoise[] = {"to", "beside", "lamp"};

constexpr const char* targetExamples[] = {"target front 3mA", "target rear half of front",
                                          "target rear like front"};

constexpr const char* seriesExamples[] = {"series front E24", "series front white", "series front"};

constexpr const char* outputExamples[] = {"output front 680R", "output front bare",
                                          "output front constant-current", "output front 100mA",
                                          "output front unmarked"};

constexpr const char* placeExamples[] = {"place front 3mm 41mm", "place rear facing inside"};

constexpr const char* removeExamples[] = {"remove rear lamp", "remove front/2"};

constexpr const char* wishWords[] = {"wish"};

constexpr const char* bulbWords[] = {"filament"};

constexpr const char* bulbExamples[] = {"bulb cab 16V 50mA", "bulb cab 12V 60mA on 1"};

constexpr const char* stripExamples[] = {
    "strip strip-warm-white-12v 100mm on 1 called saloon light"};
constexpr const char* aspectsWords[] = {"twocolour", "two-colour", "bicolour"};

constexpr const char* aspectsExamples[] = {"aspects front white red",
                                           "aspects distant signal yellow green"};

constexpr const char* planExamples[] = {"plan headlamp, tail red, cab warm and hardly seen"};

constexpr const char* planBegins[] = {"headlamp", "headlamps", "headlight", "headlights"};

constexpr const char* lampNoise[] = {"output", "new", "led"};

constexpr const char* stripNoise[] = {"output", "new", "led", "light"};

constexpr const char* bulbNoise[] = {"output", "new", "lamp"};

constexpr const char* targetNoise[] = {"lamp", "lamps", "led",    "output",
                                       "on",   "as",    "bright", "one"};

constexpr const char* neighbourNoise[] = {"lamp"};

constexpr const char* outputNoise[] = {"carries", "has", "resistor", "on", "board"};

/// Words that only a line of a lamp has.
bool onlyALamp(const std::vector<Token>& line) {
    static constexpr std::string_view words[] = {"0402",   "0603",    "0805",    "1206",
                                                 "ohm",    "ohms",    "blinker", "flasher",
                                                 "beacon", "firebox", "series",  "parallel"};
    static constexpr std::string_view lights[] = {"lights", "light",  "lamps",
                                                  "lamp",   "boards", "board"};
    static constexpr std::string_view kinds[] = {"ditch",          "number", "marker", "class",
                                                 "classification", "step",   "ground"};
    const auto among = [](const auto& list, const std::string& word) {
        return std::find(std::begin(list), std::end(list), word) != std::end(list);
    };
    const auto lastOf = [](const Token& token) {
        return lowered(token.words.substr(token.words.rfind(' ') + 1));
    };
    if (line.size() < 2) return false;
    // "1k8 on rear", "kitchen 4k7"
    const auto ohms = [](const Token& token) {
        return token.numeric && token.words.find_first_of("kKR") != std::string::npos &&
               token.words.find_first_not_of("0123456789.,kKRΩ") == std::string::npos;
    };
    if (ohms(line.front())) return true;
    // "front 680R" may be what an output carries.
    const std::string first = lowered(line.front().words);
    const bool called = line.size() == 2 ? first != "front" && first != "rear"
                                         : line.size() == 3 && lowered(line[1].words) == "lamp";
    if (called && ohms(line.back()) && !line.front().numeric) return true;
    // "front white 3.2V 20mA"
    static constexpr std::string_view colours[] = {"white", "red",  "amber", "yellow",
                                                   "green", "blue", "warm",  "cool"};
    for (std::size_t i = 0; i < line.size(); ++i) {
        if (i > 0 && among(colours, lastOf(line[i]))) return true;
        if (among(words, lastOf(line[i]))) return true;
        if (i + 1 < line.size() && among(kinds, lastOf(line[i])) &&
            among(lights, lastOf(line[i + 1]))) {
            return true;
        }
    }
    return false;
}

constexpr Command table[] = {
    {"lamp",
     lampWords,
     lampArguments,
     lampExamples,
     "a new lamp, or what the one there is",
     lamp,
     false,
     lampNoise,
     nullptr,
     jot::longestWords,
     false,
     {},
     onlyALamp},
    {"bulb", bulbWords, bulbArguments, bulbExamples,
     "a filament bulb by its rated volts and what it takes at them", bulb, false, bulbNoise},
    {"aspects",
     aspectsWords,
     {},
     aspectsExamples,
     "several colours at one place: a two-colour LED, rgb, a signal head whose lenses are stacked",
     aspectsCommand,
     true},
    {"plan",
     {},
     {},
     planExamples,
     "several lamps at once, as one says it",
     plan,
     true,
     {},
     nullptr,
     jot::longestWords,
     false,
     planBegins},
    {"strip",
     {},
     stripArguments,
     stripExamples,
     "a strip of the catalogue, by its length",
     strip,
     false,
     stripNoise},
    testerCommand,
    jointCommand,
    leadsCommand,
    seenCommand,
    boreCommand,
    lotCommand,
    {"wired", wiredWords, wiredArguments, wiredExamples,
     "a lamp with a resistor hidden in it, by readings at its leads", wired},
    {"parallel",
     {},
     anotherArguments,
     parallelExamples,
     "another lamp beside it with its own resistor",
     another<Beside::Row>,
     false,
     neighbourNoise},
    {"inline",
     {},
     anotherArguments,
     inlineExamples,
     "another lamp in series with it",
     another<Beside::Series>,
     false,
     neighbourNoise},
    {"twin",
     {},
     anotherArguments,
     parallelLedExamples,
     "a lamp straight across the last one of a row, behind the same resistor",
     another<Beside::Across>,
     false,
     neighbourNoise},
    {"antiparallel",
     {},
     pairArguments,
     pairExamples,
     "a lamp the other way round across it, both behind its resistor",
     antiparallelTo,
     false,
     neighbourNoise},
    {"turned", turnedWords, turnedArguments, turnedExamples,
     "its lamps stand the other way round: minus where plus comes", backwards, false, groupNoise},
    {"resistor", resistorWords, resistorArguments, resistorExamples,
     "fit a resistor; none for no resistor, open for not chosen", resistor, false, resistorNoise},
    {"shared",
     {},
     sharedArguments,
     sharedExamples,
     "one resistor for the whole group",
     shared,
     false,
     groupNoise},
    {"split",
     {},
     ownArguments,
     splitExamples,
     "each LED of its rows in a row by itself, with its own resistor",
     split,
     false,
     groupNoise},
    {"own",
     {},
     ownArguments,
     ownExamples,
     "a resistor of its own for each row, chosen for the wish",
     own,
     false,
     groupNoise},
    {"join",
     {},
     joinArguments,
     joinExamples,
     "hang a lamp beside another: one output, one key",
     join,
     false,
     joinNoise},
    {"target", wishWords, targetArguments, targetExamples,
     "the current, so the brightness, that is wished", target, false, targetNoise},
    {"series",
     {},
     seriesArguments,
     seriesExamples,
     "preferred values to choose from; or one lamp more in its row; or all its rows as one",
     series,
     false,
     groupNoise},
    {"output",
     {},
     outputArguments,
     outputExamples,
     "resistor found on the decoder's board, bare for none; or the current that it bears",
     output,
     false,
     outputNoise},
    {"place",
     {},
     placeArguments,
     placeExamples,
     "where the lamp sits: back from the front, up from the rail",
     place,
     false,
     groupNoise},
    smoothingCommand,
    bleedCommand,
    driverCommand,
    oneWayCommand,
    toggleCommand,
    dimCommand,
    softCommand,
    packageCommand,
    pipeCommand,
    fibreCommand,
    filterCommand,
    diffuserCommand,
    shadowCommand,
    wallCommand,
    {"remove",
     {},
     removeArguments,
     removeExamples,
     "a lamp, or a row of a group",
     removeLamp,
     false,
     groupNoise},
};

}  // namespace

std::string newLampJot(const Job& job, std::string_view output) {
    const std::string on = " white on " + std::string(output);
    const auto taken = [&](const std::string& name) { return groupNamed(job, name) != nullptr; };
    const Facing wanted = output == "front"  ? Facing::Front
                          : output == "rear" ? Facing::Rear
                                             : Facing::Inside;
    for (const NamedSite& site : namedSites(job)) {
        if (site.site->facing == wanted && !taken(site.called)) return "lamp " + site.called + on;
    }
    std::string name;
    for (int number = 1; name.empty() || taken(name); ++number) {
        name = "lamp " + std::to_string(number);
    }
    return "lamp" + on + " called " + name;
}

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::lamps
