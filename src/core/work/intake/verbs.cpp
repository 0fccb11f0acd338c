// Jots of intake: what was looked at, what is wrong and where, what the owner says.
#include "core/work/in_order.h"
#include "core/work/intake/album.h"
#include "core/work/intake/intake.h"
#include "core/work/intake/look_list.h"
#include "core/work/jotted.h"

#include <algorithm>
#include <charconv>
#include <sstream>

namespace glimmet::core::intake {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::vector<Named> itemNames(const Context& context) {
    std::vector<Named> all;
    for (const LookItem& item : lookList(context.job)) {
        std::string singular = item.id;
        if (singular.ends_with('s')) singular.pop_back();
        all.push_back({item.id, {item.title, singular}, item.title});
    }
    return all;
}

/// A day marks what is done; where none is known, the word does.
std::string dayOr(const std::string& today) { return today.empty() ? "yes" : today; }

/// What a step of taking apart goes by.
std::string nameOf(const TakenOff& step) { return step.id.empty() ? step.what : step.id; }

void setLooked(Job& job, const std::string& item, bool good, const std::string& on) {
    std::erase_if(job.intake.looked, [&](const LookedAt& each) { return each.item == item; });
    job.intake.looked.push_back({item, good, on});
}

Result<JotResult> good(const ParsedLine& said) {
    const std::string& item = *said.name("ITEM");
    JotResult result = jotted(said, text("%1: good", text(lookItem(item)->title)));
    setLooked(result.after, item, true, said.context.today);
    return result;
}

Result<JotResult> bad(const ParsedLine& said) {
    const std::string item = said.name("ITEM").value_or("");
    std::string words = said.at("WORDS").words;
    // Said on the way: "bent, rear car". Where no unit is named it is the first.
    std::size_t at = 0;
    for (std::size_t i = 0; i < said.context.job.units.size(); ++i) {
        const std::string name = lowered(said.context.job.units[i].name);
        if (!name.empty() && lowered(words).find(name) != std::string::npos) at = i;
    }
    if (words.empty()) {
        return refuse(ErrorCode::Missing,
                      text("What is wrong? Write it like %1.", said.command.examples.front()));
    }
    constexpr std::size_t most = 500;
    if (said.context.job.intake.spots.size() >= most) {
        return refuse(ErrorCode::OutOfRange, text("That are spots enough for one model."));
    }
    JotResult result =
        jotted(said, item.empty() ? text("Bad: %1", words)
                                  : text("%1, bad: %2", text(lookItem(item)->title), words));
    if (!item.empty()) setLooked(result.after, item, false, said.context.today);
    const Place place = placeOf(said.context.job, item, words, at);
    Spot spot;
    spot.id = newId(result.after, 'S');
    spot.words = std::move(words);
    spot.item = item;
    spot.unit = said.context.job.units[at].id;
    spot.at = place.at;
    spot.on = said.context.today;
    result.after.intake.spots.push_back(std::move(spot));
    return result;
}

std::vector<Named> spotNames(const Context& context) {
    std::vector<Named> all;
    for (const Spot& spot : context.job.intake.spots) {
        if (!spot.mended.empty()) continue;
        Named named{spot.id, {spot.words}, spot.words};
        // "mended gear": what was looked at, or any word of it.
        if (!spot.item.empty()) named.also.push_back(spot.item);
        std::istringstream words(spot.words);
        for (std::string word; words >> word;) {
            if (word.size() > 2) named.also.push_back(word);
        }
        all.push_back(std::move(named));
    }
    // A known fault that was found is put right by the same word.
    for (const SuspectedFault& each : context.job.intake.faults) {
        const KnownFault* known = faultNamed(context.catalogue, each.fault);
        if (each.state != FaultState::Found || !known) continue;
        all.push_back({known->id, {known->title}, known->title});
        std::istringstream words(known->title);
        for (std::string word; words >> word;) {
            if (word.size() > 2) all.back().also.push_back(word);
        }
    }
    return all;
}
Result<JotResult> setFault(const ParsedLine& said, const std::string& id, const std::string& state);

Result<JotResult> mended(const ParsedLine& said) {
    const std::string& id = *said.name("SPOT");
    if (faultNamed(said.context.catalogue, id)) return setFault(said, id, "mended");
    JotResult result = jotted(said, {});
    for (Spot& spot : result.after.intake.spots) {
        if (spot.id != id) continue;
        spot.mended = dayOr(said.context.today);
        result.meaning = text("Mended: %1", spot.words);
        if (!spot.item.empty()) setLooked(result.after, spot.item, true, said.context.today);
    }
    return result;
}

// --- who and what ----------------------------------------------------------------------------

std::vector<Named> ages(const Context&) {
    return {{"new", {}, "from the box"}, {"old", {"used", "second-hand", "worn"}, "seen use"}};
}
std::vector<Named> arrivals(const Context&) {
    return {
        {"runner", {"a runner"}, "it runs, without a decoder"},
        {"kit", {"a kit"}, "never wired: nothing to prove yet"},
        {"with decoder", {"with a decoder", "with-decoder", "decoder"}, "one is in it already"}};
}
Result<JotResult> arrives(const ParsedLine& said) {
    const auto& age = said.name("AGE");
    const auto& as = said.name("AS");
    if (!age && !as) {
        return refuse(ErrorCode::Missing,
                      text("How does it arrive? Write it like %1.", said.command.examples.front()));
    }
    JotResult result = jotted(said, age && as ? text("Arrives %1, as: %2", *age, *as)
                                    : age     ? text("Arrives %1", *age)
                                              : text("Arrives as: %1", *as));
    if (age) result.after.intake.age = *named<Age>(*age);
    if (as) {
        result.after.intake.arrival =
            *as == "with decoder" ? Arrival::WithDecoder : *named<Arrival>(*as);
    }
    return result;
}

Result<JotResult> wish(const ParsedLine& said) {
    JotResult result =
        jotted(said, said.rest.empty() ? text("No wish") : text("Wish: %1", said.rest));
    result.after.wish = said.rest;
    return result;
}

Result<JotResult> complaint(const ParsedLine& said) {
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing, text("What does the owner say? Write it like %1.",
                                               said.command.examples.front()));
    }
    const std::string words = lowered(said.rest);
    if (words == "none" || words == "nothing" || words == "no complaints" || words == "no") {
        if (said.context.job.intake.complaints.empty())
            return jotted(said, text("The owner has no complaints"));
        return refuse(ErrorCode::NotUnderstood,
                      text("A complaint is noted already: “%1”. Say what came of it: answer %2 ….",
                           said.context.job.intake.complaints.front().words,
                           said.context.job.intake.complaints.front().id));
    }
    if (said.context.job.intake.complaints.size() >= 100) {
        return refuse(ErrorCode::OutOfRange, text("That are complaints enough for one model."));
    }
    JotResult result = jotted(said, text("The owner says: %1", said.rest));
    result.after.intake.complaints.push_back({newId(result.after, 'C'), said.rest, {}});
    return result;
}
std::vector<Named> complaintNames(const Context& context) {
    std::vector<Named> all;
    for (const Complaint& each : context.job.intake.complaints) {
        all.push_back({each.id, {each.words}, each.words});
    }
    return all;
}
Result<JotResult> answerComplaint(const ParsedLine& said) {
    const std::string& id = *said.name("COMPLAINT");
    JotResult result = jotted(said, {});
    for (Complaint& each : result.after.intake.complaints) {
        if (each.id != id) continue;
        each.answer = said.at("WORDS").words;
        result.meaning = text("To “%1”: %2", each.words, each.answer);
    }
    return result;
}

// --- taken apart, oiled ----------------------------------------------------------------------

/// What the record of a model holds of one thing.
constexpr std::size_t mostOfOne = 500;
tl::unexpected<Error> enough() {
    return refuse(ErrorCode::OutOfRange,
                  text("There are %1 of them already: that is enough for one "
                       "model.",
                       std::to_string(mostOfOne)));
}

Result<JotResult> loose(const ParsedLine& said) {
    if (said.context.job.intake.loose.size() >= mostOfOne) return enough();
    std::string what = said.at("WORDS").words;
    // "loose buffer in bag 3", "the pantograph is loose"
    for (const std::string_view end : {" in", " is", " are", " came"}) {
        if (what.ends_with(end)) what.resize(what.size() - end.size());
    }
    const std::string& bag = said.at("BAG").words;
    JotResult result = jotted(
        said, bag.empty() ? text("Loose: %1", what) : text("Loose: %1, in bag %2", what, bag));
    result.after.intake.loose.push_back({what, bag});
    return result;
}

Result<JotResult> takenOff(const ParsedLine& said) {
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("What came off? Write it like %1.", said.command.examples.front()));
    }
    if (said.context.job.intake.takenOff.size() >= mostOfOne) return enough();
    JotResult result =
        jotted(said, text("Taken off, step %1: %2",
                          std::to_string(said.context.job.intake.takenOff.size() + 1), said.rest));
    const std::string id = newId(result.after, 'T');
    result.after.intake.takenOff.push_back({said.rest, said.context.today, id, {}});
    return result;
}

std::vector<Named> stepsOff(const Context& context) {
    std::vector<Named> all;
    for (const TakenOff& step : context.job.intake.takenOff) {
        if (step.back.empty()) all.push_back({nameOf(step), {step.what}, step.what});
    }
    return all;
}

/// Played backwards: without a name the last that is off, and what lies in the way is said.
Result<JotResult> refitted(const ParsedLine& said) {
    const auto& steps = said.context.job.intake.takenOff;
    const auto last = nextBackOn(said.context.job);
    if (!last) return refuse(ErrorCode::Unknown, text("Nothing is off."));
    std::size_t step = *last;
    if (const auto& name = said.name("STEP")) {
        while (!steps[step].back.empty() || nameOf(steps[step]) != *name) --step;
    }
    const std::string number = std::to_string(step + 1);
    JotResult result =
        jotted(said, step == *last
                         ? text("Back on: step %1, %2", number, steps[step].what)
                         : text("Back on: step %1, %2. It came off before %3, which is still off.",
                                number, steps[step].what, steps[*last].what));
    result.after.intake.takenOff[step].back = dayOr(said.context.today);
    return result;
}

// --- photos ----------------------------------------------------------------------------------

std::vector<Named> sitters(const Context& context) {
    std::vector<Named> all;
    for (const Spot& spot : context.job.intake.spots) {
        all.push_back({spot.id, {spot.words}, spot.words});
    }
    for (const TakenOff& step : context.job.intake.takenOff) {
        if (!step.id.empty()) all.push_back({step.id, {step.what}, step.what});
    }
    return all;
}

/// The bytes are kept by whoever brings them; the record holds their sum.
Result<JotResult> photo(const ParsedLine& said) {
    const std::string& sum = said.at("SUM").words;
    if (sum.size() != 64 || sum.find_first_not_of("0123456789abcdef") != std::string::npos) {
        return refuse(ErrorCode::NotUnderstood,
                      text("A photo goes by the sum of its bytes, 64 digits. Drop the picture on "
                           "the window: that puts it into the workshop and writes the line."));
    }
    auto photos = said.context.job.intake.photos;
    std::erase_if(photos, [&](const Photo& each) { return each.sum == sum; });
    if (photos.size() >= mostOfOne) return enough();
    const std::string of = said.name("OF").value_or("");
    JotResult result =
        jotted(said, of.empty() ? text("Photo of the model")
                                : text("Photo of: %1", photographed(said.context.job, of)));
    photos.push_back({sum, of, said.context.today});
    result.after.intake.photos = std::move(photos);
    return result;
}

Result<JotResult> discarded(const ParsedLine& said) {
    const std::string& sum = said.at("SUM").words;
    auto photos = said.context.job.intake.photos;
    // Its beginning will do, where only one begins so.
    const auto begun = [&](const Photo& each) { return each.sum.starts_with(sum); };
    if (std::count_if(photos.begin(), photos.end(), begun) != 1) {
        return refuse(ErrorCode::Unknown,
                      text("No photo, or more than one, begins with “%1”.", sum));
    }
    JotResult result =
        jotted(said, text("Without the photo of: %1",
                          photographed(said.context.job,
                                       std::find_if(photos.begin(), photos.end(), begun)->of)));
    std::erase_if(photos, begun);
    result.after.intake.photos = std::move(photos);
    return result;
}

std::vector<Named> oilPoints(const Context&) {
    return {{"gears", {"gear"}, "a very little grease, fit for plastic"},
            {"worm", {}, "a very little grease, fit for plastic"},
            {"bearings", {"bearing", "motor bearings"}, "one drop of light oil each"},
            {"axles", {"axle bearings"}, "one drop of light oil each"},
            {"rods", {"side rods"}, "a trace of light oil at each pin"}};
}
std::vector<Named> lubricants(const Context&) {
    return {{"oil", {"light oil"}, "for bearings"}, {"grease", {}, "for gears"}};
}
Result<JotResult> oiled(const ParsedLine& said) {
    if (said.context.job.intake.oiled.size() >= mostOfOne) return enough();
    const std::string& point = *said.name("POINT");
    const bool gears = point == "gears" || point == "worm";
    const std::string with = said.name("WITH").value_or(gears ? "grease" : "oil");
    JotResult result =
        jotted(said, gears == (with == "grease") ? text("Oiled: %1, with %2", point, with)
                                                 : text("Oiled: %1, with %2 (usual there: %3)",
                                                        point, with, gears ? "grease" : "oil"));
    enterByDay(result.after.intake.oiled, {point, with, said.context.today});
    return result;
}

// --- faults and settings ---------------------------------------------------------------------

std::vector<Named> faultNames(const Context& context) {
    std::vector<Named> all;
    for (const KnownFault& fault : context.catalogue.faults) {
        all.push_back({fault.id, {fault.title}, fault.title});
    }
    return all;
}
std::vector<Named> faultStates(const Context&) {
    return {{"found", {"it is", "yes"}, "it is that"},
            {"not", {"not it", "ruled out", "no"}, "looked for, and it is not that"},
            {"mended", {"cured"}, "found and put right"},
            {"proved", {"gone"}, "put right, and looked at again"}};
}
Result<JotResult> setFault(const ParsedLine& said, const std::string& id,
                           const std::string& state) {
    const std::string& title = faultNamed(said.context.catalogue, id)->title;
    JotResult result =
        jotted(said, state == "found"    ? text("Found: %1", title)
                     : state == "not"    ? text("It is not: %1", title)
                     : state == "proved" ? text("Looked again, it is gone: %1", title)
                                         : text("Mended: %1", title));
    auto& faults = result.after.intake.faults;
    std::erase_if(faults, [&](const SuspectedFault& each) { return each.fault == id; });
    faults.push_back({id, *named<FaultState>(state), said.context.today});
    return result;
}
Result<JotResult> fault(const ParsedLine& said) {
    return setFault(said, *said.name("FAULT"), said.name("STATE").value_or("found"));
}

/// "settings 1=3 29=34": what the decoder held when it came.
Result<JotResult> settings(const ParsedLine& said) {
    SavedSettings saved{said.context.today, {}};
    std::string_view rest = said.rest;
    const auto wrong = [&](std::string_view word) {
        return refuse(ErrorCode::NotUnderstood,
                      text("“%1” is no setting. Write each as number=value, like 29=34; numbers "
                           "are 1 to 1024, values 0 to 255.",
                           std::string(word)));
    };
    while (!rest.empty()) {
        const std::size_t space = rest.find_first_of(" ,;\t");
        std::string_view word = rest.substr(0, space);
        rest = space == std::string_view::npos ? std::string_view() : rest.substr(space + 1);
        if (word.empty()) continue;
        if (lowered(word) == "saved" && saved.values.empty() && rest.empty()) break;
        std::string_view pair = word;
        if (lowered(pair.substr(0, 2)) == "cv") pair.remove_prefix(2);
        ConfigurationValue value;
        const char* end = pair.data() + pair.size();
        const auto number = std::from_chars(pair.data(), end, value.number);
        if (number.ec != std::errc() || number.ptr == end || *number.ptr != '=') return wrong(word);
        const auto held = std::from_chars(number.ptr + 1, end, value.value);
        if (held.ec != std::errc() || held.ptr != end) return wrong(word);
        if (value.number < 1 || value.number > 1024 || value.value < 0 || value.value > 255) {
            return wrong(word);
        }
        for (const ConfigurationValue& each : saved.values) {
            if (each.number == value.number) {
                return refuse(ErrorCode::NotUnderstood,
                              text("Setting %1 is said twice.", std::to_string(value.number)));
            }
        }
        saved.values.push_back(value);
    }
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which settings? Write them like %1.", said.command.examples.front()));
    }
    JotResult result = jotted(
        said, saved.values.empty()
                  ? text("The decoder's settings are saved elsewhere")
                  : text("The decoder's settings, %1 values", std::to_string(saved.values.size())));
    // A second line adds to what was saved; what it says otherwise is said, not lost in silence.
    const auto& before = said.context.job.intake.settings;
    if (before && !saved.values.empty()) {
        std::vector<ConfigurationValue> all = before->values;
        std::string changed;
        for (const ConfigurationValue& value : saved.values) {
            const auto held = std::find_if(all.begin(), all.end(), [&](const auto& each) {
                return each.number == value.number;
            });
            if (held == all.end()) {
                all.push_back(value);
            } else if (held->value != value.value) {
                changed += (changed.empty() ? "" : ", ") + std::to_string(value.number) + " was " +
                           std::to_string(held->value);
                held->value = value.value;
            }
        }
        saved.values = std::move(all);
        result.meaning = text("%1 in all", text("The decoder's settings, %1 values",
                                                std::to_string(saved.values.size())));
        if (!changed.empty()) result.meaning = text("%1; changed: %2", result.meaning, changed);
    } else if (before && !before->values.empty()) {
        saved.values = before->values;
    }
    result.after.intake.settings = std::move(saved);
    return result;
}

// --- the table -------------------------------------------------------------------------------

constexpr Argument item{.what = "ITEM",
                        .kind = Kind::Name,
                        .names = itemNames,
                        .unknown = "“%1” is nothing to look at here. There are: %2."};
constexpr Argument neededItem = [] {
    Argument made = item;
    made.needed = true;
    made.missing = "What is good?";
    return made;
}();
constexpr Argument words{.what = "WORDS", .kind = Kind::Words};
constexpr Argument neededWords{
    .what = "WORDS", .kind = Kind::Words, .needed = true, .missing = "What?"};
constexpr Argument goodArguments[] = {neededItem};
constexpr Argument badArguments[] = {item, words};
constexpr Argument mendedArguments[] = {{.what = "SPOT",
                                         .kind = Kind::Name,
                                         .needed = true,
                                         .missing = "Which spot?",
                                         .names = spotNames,
                                         .unknown = "No open spot goes by “%1”. There are: %2.",
                                         .none = "No spot is open.",
                                         .explained = true}};
constexpr Argument arrivesArguments[] = {{.what = "AGE", .kind = Kind::Name, .names = ages},
                                         {.what = "AS", .kind = Kind::Name, .names = arrivals}};
constexpr Argument answerArguments[] = {{.what = "COMPLAINT",
                                         .kind = Kind::Name,
                                         .needed = true,
                                         .missing = "Which complaint?",
                                         .names = complaintNames,
                                         .unknown = "No complaint goes by “%1”. There are: %2.",
                                         .none = "Nobody complained.",
                                         .explained = true},
                                        neededWords};
constexpr Argument looseArguments[] = {neededWords,
                                       {.what = "BAG", .kind = Kind::Words, .after = "bag"}};
constexpr Argument refittedArguments[] = {
    {.what = "STEP",
     .kind = Kind::Name,
     .names = stepsOff,
     .unknown = "Nothing that is off goes by “%1”. There are: %2.",
     .none = "Nothing is off.",
     .explained = true}};
constexpr Argument sum{
    .what = "SUM", .kind = Kind::Words, .after = "sum", .needed = true, .missing = "Which photo?"};
constexpr Argument photoArguments[] = {
    sum,
    {.what = "OF",
     .kind = Kind::Name,
     .after = "of",
     .names = sitters,
     .unknown = "No spot and no step goes by “%1”. There are: %2.",
     .none = "There is no spot and no step yet: a photo is of the model.",
     .explained = true}};
constexpr Argument discardArguments[] = {sum};
constexpr Argument oiledArguments[] = {
    {.what = "POINT",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which point?",
     .names = oilPoints},
    {.what = "WITH", .kind = Kind::Name, .after = "with", .names = lubricants}};
constexpr Argument faultArguments[] = {
    {.what = "FAULT",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which fault?",
     .names = faultNames,
     .unknown = "No fault of the library goes by “%1”. There are: %2.",
     .none = "The library of faults is empty."},
    {.what = "STATE", .kind = Kind::Name, .names = faultStates}};

constexpr const char* arrivesExamples[] = {"arrives old runner", "arrives new",
                                           "arrives with decoder"};
constexpr const char* arrivesWords[] = {"arrived", "came", "comes"};
constexpr const char* arrivesNoise[] = {"as", "a", "already", "fitted"};
constexpr const char* goodExamples[] = {"good buffers", "good frame"};
constexpr const char* goodNoise[] = {"is", "are", "all"};
constexpr const char* badExamples[] = {"bad buffers bent front left"};
constexpr const char* mendedExamples[] = {"mended buffer bent"};
constexpr const char* complaintExamples[] = {"complaint stops on points and hums"};
constexpr const char* complaintWords[] = {"complains", "complaints"};
constexpr const char* answerExamples[] = {"answer hums collectors cleaned"};
constexpr const char* wishExamples[] = {"wants lamps that change with the direction"};
constexpr const char* looseExamples[] = {"loose step in bag 3"};
constexpr const char* looseNoise[] = {"in"};
constexpr const char* offExamples[] = {"off rear screw under the coupler"};
constexpr const char* offWords[] = {"undone", "unscrewed", "unclipped"};
constexpr const char* refittedExamples[] = {"refitted", "refitted rear screw"};
constexpr const char* refittedWords[] = {"refit", "replaced"};
constexpr const char* photoExamples[] = {
    "photo of buffer bent sum 5891b5b522d5df086d0ff0b110fbd9d21bb4fc7163af34d08286a2e846f6be03"};
constexpr const char* discardExamples[] = {"discard photo sum 5891b5b5"};
constexpr const char* discardNoise[] = {"photo"};
constexpr const char* oiledExamples[] = {"oiled gears with grease", "oiled bearings"};
constexpr const char* oiledWords[] = {"greased", "lubricated"};
constexpr const char* faultExamples[] = {"fault cracked-gear found", "fault dry-grease not"};
constexpr const char* settingsExamples[] = {"settings 1=3 29=34", "settings saved"};

/// What a model does that nobody wants: said by itself it is a complaint.
constexpr const char* complaintBegins[] = {
    "stutters", "stalls", "intermittent", "intermittently", "hesitates", "dies",    "cuts",
    "jerks",    "resets", "restarts",     "loses",          "flickers",  "derails", "squeals",
    "buzzes",   "hums",   "grinds",       "sparks",         "smells",    "shorts"};
constexpr Command table[] = {
    {"arrives", arrivesWords, arrivesArguments, arrivesExamples,
     "new or old; as a runner, as a kit, with a decoder", arrives, false, arrivesNoise},
    {"complaint",
     complaintWords,
     {},
     complaintExamples,
     "what the owner says is wrong",
     complaint,
     true,
     {},
     nullptr,
     longestWords,
     false,
     complaintBegins},
    {"wants", {}, {}, wishExamples, "what the owner asks for", wish, true, {}, nullptr, 100000},
    {"good", {}, goodArguments, goodExamples, "looked at, nothing wrong", good, false, goodNoise},
    {"bad", {}, badArguments, badExamples, "something is wrong: a spot on the picture", bad},
    {"mended", {}, mendedArguments, mendedExamples, "a spot is put right", mended},
    {"fault", {}, faultArguments, faultExamples, "a known fault: found, not, or mended", fault},
    {"settings",
     {},
     {},
     settingsExamples,
     "what the decoder held when it came",
     settings,
     true,
     {},
     nullptr,
     20000},
    {"loose",
     {},
     looseArguments,
     looseExamples,
     "a loose part and the bag it lies in",
     loose,
     false,
     looseNoise},
    {"off", offWords, {}, offExamples, "the next thing that came off", takenOff, true},
    {"refitted", refittedWords, refittedArguments, refittedExamples,
     "what came off last goes back on, or the step that is named", refitted},
    {"photo",
     {},
     photoArguments,
     photoExamples,
     "a picture that was dropped on the window, and what it is of",
     photo},
    {"discard",
     {},
     discardArguments,
     discardExamples,
     "a photo out of the record",
     discarded,
     false,
     discardNoise},
    {"oiled", oiledWords, oiledArguments, oiledExamples, "a point that got its drop", oiled},
    {"answer", {}, answerArguments, answerExamples, "what came of a complaint", answerComplaint},
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::intake
