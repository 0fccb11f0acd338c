// Jots that put lamps into a model and choose their resistors.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamp_sites.h"
#include "core/analysis/lamps/light_plan.h"
#include "core/analysis/supply.h"
#include "core/jot/names.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/led/wired_lamp.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/aspects.h"
#include "core/work/lamps/feed_verbs.h"
#include "core/work/lamps/install_verbs.h"
#include "core/work/lamps/lamps.h"
#include "core/work/lamps/path_verbs.h"
#include "core/work/units.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <sstream>

namespace glimmet::core::lamps {
namespace {

using namespace jot;
using Kind = Argument::Kind;

// --- names -----------------------------------------------------------------------------------

/// With the places of the model where no lamp is yet.
std::vector<Named> withPlaces(std::vector<Named> all, const Context& context) {
    for (const NamedSite& site : namedSites(context.job)) {
        const bool there = std::any_of(all.begin(), all.end(), [&](const Named& each) {
            return lowered(each.name) == lowered(site.called);
        });
        if (there) continue;
        Named named{site.called, {}, "a place for a lamp"};
        if (const std::string brief = shortName(site.called); !brief.empty()) {
            named.also.push_back(brief);
        }
        all.push_back(std::move(named));
    }
    return all;
}
/// A place that several units have goes by its bare name too, with the unit said behind it.
std::vector<Named> places(const Context& context) {
    std::vector<Named> all = withPlaces(ownNames(context), context);
    for (const NamedSite& site : namedSites(context.job)) {
        const std::string& bare = site.site->name;
        const bool there = std::any_of(all.begin(), all.end(), [&](const Named& each) {
            return lowered(each.name) == lowered(bare);
        });
        if (there) continue;
        Named named{bare, {}, "a place for a lamp, in several units"};
        if (const std::string brief = shortName(bare); !brief.empty()) named.also.push_back(brief);
        all.push_back(std::move(named));
    }
    addTradeWords(all);
    // Lamps that models have, where the drawing has no place for them.
    static constexpr std::pair<const char*, const char*> usual[] = {
        {"ditch lights", "ditch lamps"},   {"number boards", "number board"},
        {"marker lights", "marker lamps"}, {"class lights", "classification lights"},
        {"step lights", "step lamps"},     {"ground lights", "ground lamps"},
        {"beacon", "beacon lamp"},         {"firebox glow", "firebox"}};
    for (const auto& [one, other] : usual) {
        const bool there =
            std::any_of(all.begin(), all.end(), [&, name = one, other = other](const Named& each) {
                const auto among = [&](const char* word) {
                    return lowered(each.name) == word ||
                           std::find(each.also.begin(), each.also.end(), word) != each.also.end();
                };
                return among(name) || among(other);
            });
        if (!there) all.push_back({one, {other}, "a lamp that many models have", true});
    }
    return all;
}
std::vector<Named> lampsOrPlaces(const Context& context) {
    std::vector<Named> all = withPlaces(namesAndFeeds(context), context);
    addTradeWords(all);
    return all;
}

constexpr const char* kindBlinker = "blinker";
constexpr const char* kindFlicker = "flickering LED";
constexpr const char* kindBulb = "bulb";

std::vector<Named> colours(const Context& context) {
    std::vector<Named> all;
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        Named named{std::string(name(family)), {}, "LED"};
        if (family == LedFamily::TrueGreen) named.also = {"true green"};
        if (family == LedFamily::UltraViolet) named.also = {"ultraviolet", "ultra-violet"};
        named.also.push_back(named.name + " led");
        all.push_back(std::move(named));
    }
    all.push_back({"warm white", {"white warm", "warm-white", "warm white led", "warm"}, "LED"});
    all.push_back({"cool white",
                   {"white cool", "cool-white", "cold white", "cool white led", "cool", "cold"},
                   "LED"});
    // "red blinker", "amber flicker": the first of its colour.
    std::set<std::string> said;
    const auto kindOf = [&](const std::string& colour, bool flickers, Named& named) {
        const std::string kind = flickers ? "flicker" : "blinker";
        const std::string ing = flickers ? "flickering" : "blinking";
        if (!said.insert(colour + " " + kind).second) return;
        for (const std::string& word : {kind, ing}) {
            named.also.push_back(colour + " " + word);
            named.also.push_back(word + " " + colour);
        }
    };
    for (const LampPart& part : context.catalogue.lamps) {
        Named named{part.id, {part.name}, part.name};
        if (part.blink) kindOf(std::string(name(part.family)), part.blink->flickers, named);
        if (part.blink && part.tint == "warm") kindOf("warm white", part.blink->flickers, named);
        all.push_back(std::move(named));
    }
    Named blinker{kindBlinker, {"blinking led", "flasher", "flashing led"}, {}, true};
    Named flicker{kindFlicker, {"flicker", "flickering", "flicker led"}, {}, true};
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        kindOf(std::string(word), false, blinker);
        kindOf(std::string(word), true, flicker);
    }
    all.push_back(std::move(blinker));
    all.push_back(std::move(flicker));
    all.push_back(
        {kindBulb, {"filament bulb", "light bulb", "grain bulb"}, "which one is asked", true});
    return all;
}

/// The part that a colour or the name of a part stands for.
LampPart partNamed(const Catalogue& catalogue, const std::string& called) {
    if (const LampPart* part = lampNamed(catalogue, called)) return *part;
    LampPart made;
    const auto blank = called.find(' ');
    if (blank != std::string::npos) made.tint = called.substr(0, blank);
    made.family = *named<LedFamily>(blank == std::string::npos ? called : called.substr(blank + 1));
    made.name = called + " LED";
    return made;
}

std::vector<Named> stripNames(const Context& context) {
    std::vector<Named> all;
    for (const LampPart& part : context.catalogue.lamps) {
        if (part.section) all.push_back({part.id, {part.name}, part.name});
    }
    // By its colour: its volts or its supply tell which one is meant.
    all.push_back({"warm white", {"warm"}, {}, true});
    all.push_back({"cool white", {"cool", "cold white"}, {}, true});
    return all;
}
/// The strip that a line names, or the one of that colour for those volts, said or fed.
Result<LampPart> stripMeant(const ParsedLine& said) {
    const Catalogue& catalogue = said.context.catalogue;
    const auto& name = said.name("COLOUR");
    const auto volts = said.one<Volts>("VOLTS");
    const bool byColour = !name || *name == "warm white" || *name == "cool white";
    if (!byColour) {
        LampPart part = partNamed(catalogue, *name);
        if (volts && part.rated != *volts) {
            return refuse(ErrorCode::NotUnderstood,
                          text("%1 is made for %2, not for %3.", part.name, formatted(*part.rated),
                               formatted(*volts)));
        }
        return part;
    }
    const auto& fed = said.context.job.supply.volts;
    const Volts wanted = volts.value_or(fed ? fed->value : Volts{0});
    std::vector<Named> all, coloured, fitting;
    for (const LampPart& part : catalogue.lamps) {
        if (!part.section) continue;
        all.push_back({part.id, {}, part.name});
        const bool warm = part.tint == "warm";
        if (name && warm != (*name == "warm white")) continue;
        coloured.push_back(all.back());
        if (part.rated == wanted) fitting.push_back(all.back());
    }
    if (fitting.size() == 1) return partNamed(catalogue, fitting.front().name);
    if (coloured.size() == 1 && !volts) return partNamed(catalogue, coloured.front().name);
    return refuse(ErrorCode::Unknown,
                  text("Which strip? There are: %1.", jot::listed(!fitting.empty()    ? fitting
                                                                  : !coloured.empty() ? coloured
                                                                                      : all)));
}

std::vector<Named> directions(const Context&) {
    return {{"front", {"ahead", "forwards"}, {}},
            {"rear", {"back", "backwards"}, {}},
            {"inside", {}, {}}};
}
std::vector<Named> outputs(const Context& context) {
    std::vector<Named> all;
    if (context.job.decoder) {
        for (const DecoderOutput& output : context.job.decoder->part.outputs) {
            Named named{output.name, {}, output.wire};
            if (!output.wire.empty()) named.also.push_back(output.wire);
            all.push_back(std::move(named));
        }
    }
    return all;
}
std::vector<Named> outputsAndSupply(const Context& context) {
    std::vector<Named> all = outputs(context);
    all.push_back({supplyOutput, {"the supply"}, "always lit"});
    // A motor means that a decoder will come; its outputs are named by the standard.
    if (!context.job.decoder && !motorsOf(context.job).empty()) {
        all.push_back({"front", {"white"}, "of the decoder to come"});
        all.push_back({"rear", {"yellow"}, "of the decoder to come"});
        for (const char* number : {"1", "2", "3", "4"}) {
            all.push_back({number, {}, "of the decoder to come"});
        }
    }
    return all;
}

std::vector<Named> noneOrOpen(const Context&) {
    return {{"none", {"no", "bare"}, "deliberately without"},
            {"open", {"unknown", "not known", "don't know", "to be chosen"}, "not chosen yet"}};
}
std::vector<Named> noneOnly(const Context&) { return {{"none", {"no"}, "without"}}; }
std::vector<Named> unmarkedOnly(const Context&) {
    return {{"unmarked", {"unrated"}, "nobody knows what it bears"}};
}
std::vector<Named> bareOnly(const Context&) {
    return {{"bare", {"none", "no"}, "no resistor on the board"}, {"unknown", {}, "not looked at"}};
}
std::vector<Named> outputKindNames(const Context&) {
    return {{"low-side", {"low side"}, "switches to ground, as most do"},
            {"logic-level", {"logic", "logic level"}, "a signal, for no lamp"},
            {"lamp-supply", {"lamp supply"}, "1.5 V, for filament bulbs"},
            {"constant-current", {"constant current"}, "keeps an LED's current itself"},
            {"unknown-kind", {}, "nobody knows"}};
}
std::vector<Named> seriesNames(const Context&) {
    return {{"E6", {}, "20 %"}, {"E12", {}, "10 %"}, {"E24", {}, "5 %"}, {"E96", {}, "1 %"}};
}

// --- what a line says of an LED --------------------------------------------------------------

/// A measured point takes both values.
Result<std::optional<ForwardPoint>> pointOf(const ParsedLine& said) {
    const auto volts = said.one<Volts>("VOLTS");
    const auto amps = said.one<Amperes>("AMPS");
    if (volts && amps) return std::optional(ForwardPoint{*volts, *amps});
    if (volts) {
        return refuse(ErrorCode::Missing,
                      text("A forward voltage needs the current it was read at. Write it like "
                           "lamp rear red 2.0V 20mA."));
    }
    if (amps) {
        return refuse(ErrorCode::Missing,
                      text("%1 alone can be a reading or a wish. A reading has its volts too: "
                           "lamp rear red 2.0V 20mA. A wish is written with for: lamp rear red "
                           "for 3mA.",
                           formatted(*amps)));
    }
    return std::optional<ForwardPoint>{};
}

/// A part in the size that was said: of the catalogue where one like it is in it, else as it is.
Result<LampPart> sizedPart(const ParsedLine& said, LampPart part) {
    const auto& size = said.name("SIZE");
    if (!size) return part;
    const LedBody body = *named<LedBody>(*size);
    if (part.filament || part.rated || part.section) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 comes as it is: a size is said of bare LEDs.", part.name));
    }
    for (const LampPart& each : said.context.catalogue.lamps) {
        const bool same = each.body == body && each.family == part.family &&
                          (part.tint.empty() || each.tint == part.tint) && !each.rated &&
                          !each.filament && each.blink.has_value() == part.blink.has_value();
        if (same) return each;
    }
    part.body = body;
    if (part.name.find(*size) == std::string::npos) part.name += " " + *size;
    return part;
}

/// The part with a measured point, if that is one an LED can have.
Result<LampPart> withPoint(LampPart part, const std::optional<ForwardPoint>& point) {
    if (!point) return part;
    part.forward = point;
    if (const auto possible = law(part); !possible) return tl::unexpected(possible.error());
    return part;
}

std::string shown(const ForwardPoint& point) {
    return formatted(point.voltage) + " at " + formatted(point.current);
}
/// "red LED", with the reading if one was taken.
Text described(const LampPart& part, const std::optional<ForwardPoint>& point) {
    return point ? text("%1, %2", part.name, shown(*point)) : verbatim(part.name);
}

bool feeds(const LampGroup& group, const std::string& output) {
    return group.output == output && output != supplyOutput;
}
const LampGroup* fedBy(const Job& job, const std::string& output) {
    for (const LampGroup& group : job.groups) {
        if (feeds(group, output)) return &group;
    }
    return nullptr;
}

/// The output that a lamp's place suggests, if it is free.
std::optional<std::string> usualOutput(const Job& job, Facing facing) {
    const auto free = [&](const std::string& output) { return !fedBy(job, output); };
    std::vector<std::string> likely;
    if (facing == Facing::Front) likely.emplace_back("front");
    if (facing == Facing::Rear) likely.emplace_back("rear");
    if (!job.decoder) {
        if (motorsOf(job).empty()) return supplyOutput;
        if (likely.empty()) likely = {"1", "2", "3", "4"};
        const auto found = std::find_if(likely.begin(), likely.end(), free);
        return found == likely.end() ? std::nullopt : std::optional(*found);
    }
    if (!likely.empty() && outputNamed(job, likely.front())) {
        return free(likely.front()) ? std::optional(likely.front()) : std::nullopt;
    }
    std::optional<std::string> directional;
    for (const DecoderOutput& output : job.decoder->part.outputs) {
        if (!free(output.name)) continue;
        if (output.name != "front" && output.name != "rear") return output.name;
        if (!directional) directional = output.name;
    }
    return directional;
}

/// LEDs want another resistor than bulbs: an output feeds one kind.
tl::unexpected<Error> oneKind(const LampGroup& group) {
    return refuse(
        ErrorCode::NotUnderstood,
        group.isBulbs()
            ? text("%1 is a filament bulb: an LED beside it needs an output of its own.",
                   group.name)
            : text("%1 is an LED: a bulb beside it needs an output of its own.", group.name));
}

std::string shown(const FilamentRating& bulb) {
    return formatted(bulb.rated) + " " + formatted(bulb.current);
}
LampPart bulbPart(const FilamentRating& bulb) {
    LampPart part;
    part.name = shown(bulb) + " bulb";
    part.tint = "warm";
    part.filament = bulb;
    return part;
}

tl::unexpected<Error> noWish(const LampPart& bulb) {
    return refuse(ErrorCode::NotUnderstood,
                  text("%1 takes what its volts give it: a wish is for LEDs.", bulb.name));
}

/// A bulb in the place of what is there.
Result<JotResult> bulbInPlace(const ParsedLine& said, std::size_t index, const LampPart& part) {
    const LampGroup& before = said.context.job.groups[index];
    if (before.rows.size() > 1 || before.rows.front().lamps.size() > 1) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is several lamps. Take it out first: remove %1.", before.name));
    }
    if (said.name("OUTPUT") || !said.at("WORDS").words.empty()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already and has its output and its name.", before.name));
    }
    JotResult result = jotted(said, text("%1: %2 bulb", before.name, shown(*part.filament)));
    result.subject = before.id;
    LampGroup& group = result.after.groups[index];
    // What limited an LED would leave a bulb dark.
    if (!before.isBulbs()) {
        group.rows.front().resistor = Ohms{0};
        group.connection = OwnResistors{};
        result.meaning = text("%1, no resistor", result.meaning);
    }
    group.rows.front().tested.reset();
    group.rows.front().installed = {};
    group.rows.front().lamps.front().part = part;
    group.rows.front().lamps.front().measured = false;
    return result;
}

WorkshopRules houseFor(const ParsedLine& said, const Job& job) {
    return houseOf(job, said.context.workshop ? said.context.workshop->house : WorkshopRules());
}

/// Whether a lamp with a resistor in it stays well within its limit without another one.
bool worksWithout(const Job& job, const WorkshopRules& house, const LampPart& part) {
    LampGroup alone;
    alone.output = supplyOutput;
    alone.rows.push_back({{Lamp{{}, part, false}}, Ohms{0}});
    const auto state = groupState(job, alone, house);
    if (!state) return false;
    const RowState& row = state->rows.front();
    return row.highest <= row.limit * lampCloseAbove &&
           row.current * row.duty <= part.forward->current * 1.25;
}

/// A lamp with its own resistor needs no other one up to the volts that are printed on it, and
/// where it stays well within its limit all the same. Nothing: one is to be chosen.
std::optional<Ohms> resistorOf(const ParsedLine& said, const LampPart& part) {
    if (part.filament) return Ohms{0};
    const WorkshopRules house = houseFor(said, said.context.job);
    const Job& job = said.context.job;
    // What is printed on it for AC is what a meter reads.
    const Volts bus = isWave(job) ? trackVolts(job) : busVolts(job, house);
    if (!part.rated || !part.forward) return {};
    if (bus <= *part.rated * 1.05) return Ohms{0};
    return worksWithout(job, house, part) ? std::optional(Ohms{0}) : std::nullopt;
}

/// Whether a house that shares would hang one more of these behind one resistor: bare LEDs of one
/// kind, each alone in its row.
bool wouldShare(const LampGroup& group, const Lamp& one) {
    if (group.isBulbs() || group.driver() || one.part.rated || one.part.filament) return false;
    return std::all_of(group.rows.begin(), group.rows.end(), [&](const LampRow& row) {
        return row.lamps.size() == 1 && row.lamps.front().part == one.part && !row.backwards;
    });
}

/// One more row beside those of a group, with its resistor where the house puts it; that in words.
Text joined(const ParsedLine& said, const Job& after, LampGroup& group, Lamp one,
            std::optional<Ohms> resistor) {
    const WorkshopRules house = houseFor(said, after);
    const bool share = house.lampResistors == LampResistors::Shared && wouldShare(group, one);
    group.rows.push_back({{std::move(one)}, resistor});
    if (group.isBulbs() || group.driver()) {
        group.rows.back().resistor = Ohms{0};
        return {};
    }
    if (share) {
        // What one row would want for itself goes among all of them, for all flows through it.
        LampGroup each = group;
        each.connection = OwnResistors{};
        const auto state = groupState(after, each, house);
        const auto value =
            state
                ? fittedResistor(state->rows.front().ideal / static_cast<double>(each.rows.size()),
                                 group.wish)
                : std::nullopt;
        if (value && *value > Ohms{0}) {
            group.connection = SharedResistor{*value};
            for (LampRow& row : group.rows) row.resistor = Ohms{0};
            return text(", all behind one resistor of %1", formatted(*value));
        }
    }
    return text(", with a resistor of its own");
}

// --- lamp ------------------------------------------------------------------------------------

/// A lamp that is there already: what it is, what it is wished, which output it is on.
Result<JotResult> describedAnew(const ParsedLine& said, std::size_t index,
                                const std::optional<ForwardPoint>& point) {
    const LampGroup& before = said.context.job.groups[index];
    const std::size_t row = said.at("PLACE").row;
    JotResult result =
        jotted(said, verbatim(row == 0 ? before.name : before.name + "/" + std::to_string(row)));
    result.subject = before.id;
    LampGroup& group = result.after.groups[index];
    std::size_t told = 0;
    const auto tell = [&](Text more) {
        result.meaning = ++told == 1 ? text("%1: %2", result.meaning, std::move(more))
                                     : text("%1; %2", result.meaning, std::move(more));
    };
    if (said.name("COLOUR") || said.name("SIZE") || point) {
        std::vector<Lamp*> lamps;
        for (std::size_t i = 0; i < group.rows.size(); ++i) {
            if (row != 0 && row != i + 1) continue;
            for (Lamp& lamp : group.rows[i].lamps) lamps.push_back(&lamp);
        }
        if (lamps.empty()) {
            return refuse(ErrorCode::OutOfRange,
                          text("%1 has %2 rows.", before.name, std::to_string(before.rows.size())));
        }
        // What was read was read on one of them; and of several kinds one is meant.
        const bool alike = std::all_of(lamps.begin(), lamps.end(), [&](const Lamp* lamp) {
            return lamp->part == lamps.front()->part;
        });
        if (row == 0 && group.rows.size() > 1 && (point || !alike)) {
            return refuse(ErrorCode::NotUnderstood,
                          text("%1 has %2 rows. Say which: lamp %1/2 red.", before.name,
                               std::to_string(group.rows.size())));
        }
        const LampPart old = lamps.front()->part;
        const bool wasMeasured = lamps.front()->measured;
        LampPart made =
            said.name("COLOUR") ? partNamed(said.context.catalogue, *said.name("COLOUR")) : old;
        // What says no more than is known keeps what was measured on it.
        const bool same = said.name("SIZE") ? false
                          : made.id.empty() ? made.family == old.family &&
                                                  (made.tint.empty() || made.tint == old.tint)
                                            : made.id == old.id;
        if (old.filament) {
            if (!said.name("COLOUR")) {
                return refuse(ErrorCode::Missing,
                              text("%1 is a bulb: bulb %1 16V 50mA. Of an LED say the colour too.",
                                   before.name));
            }
            if (group.rows.size() > 1) return oneKind(before);
        } else if (same) {
            made = old;
        }
        auto sized = sizedPart(said, std::move(made));
        if (!sized) return tl::unexpected(sized.error());
        const auto part = withPoint(std::move(*sized), point);
        if (!part) return tl::unexpected(part.error());
        if (part->filament) {
            if (said.one<Amperes>("WISH")) return noWish(*part);
            return bulbInPlace(said, index, *part);
        }
        if (part->rated && !same) {
            const auto none = resistorOf(said, *part);
            for (std::size_t i = 0; i < group.rows.size(); ++i) {
                if (row == 0 || row == i + 1) group.rows[i].resistor = none;
            }
            group.wish.target = part->forward->current;
            group.usualTarget = false;
            tell(none ? text("made for %1: no resistor", formatted(*part->rated))
                      : text("made for %1: choose its resistor", formatted(*part->rated)));
        }
        if (old.filament) {
            for (LampRow& each : group.rows) each.resistor.reset();
            tell(text("an LED where a bulb was: choose its resistor"));
        }
        for (Lamp* lamp : lamps) {
            lamp->part = *part;
            lamp->measured = point.has_value() || (same && wasMeasured);
        }
        for (std::size_t i = 0; i < group.rows.size() && !same; ++i) {
            if (row != 0 && row != i + 1) continue;
            // What was seen and read was of the one before.
            group.rows[i].tested.reset();
            group.rows[i].installed = {};
        }
        tell(described(*part, point));
        if (!same && !point && wasMeasured && old.forward) {
            tell(text("the %1 read on the one before no longer count", shown(*old.forward)));
        }
    }
    if (row != 0 && (said.one<Amperes>("WISH") || said.name("OUTPUT"))) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("Wish and output hold for the whole of %1, not for one row.", before.name));
    }
    if (const auto wish = said.one<Amperes>("WISH")) {
        group.wish.target = *wish;
        group.usualTarget = false;
        tell(text("wished %1", formatted(*wish)));
    }
    if (const auto& output = said.name("OUTPUT"); output && *output != group.output) {
        if (const LampGroup* other = fedBy(result.after, *output)) {
            return refuse(ErrorCode::NotUnderstood,
                          text("Output %1 already feeds %2. Move that first, or put a lamp "
                               "beside it: parallel %2.",
                               *output, other->name));
        }
        tell(text("on output %1, not on %2 any more", *output, group.output));
        const bool kept = keepsCurrent(result.after, group);
        group.output = *output;
        // What needed none because its output kept the current needs one here.
        if (kept && !keepsCurrent(result.after, group)) {
            for (LampRow& each : group.rows) each.resistor.reset();
            tell(text("choose its resistor"));
        }
    } else if (output) {
        tell(text("on output %1", *output));
    }
    if (const std::string& called = said.at("WORDS").words; !called.empty()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already and has its name.", before.name));
    }
    if (told == 0) {
        return refuse(
            ErrorCode::Missing,
            text("%1 is there already. Say what it is, like: lamp %1 red 2.0V 20mA.", before.name));
    }
    return result;
}

/// Where a line wants its lamp.
struct Where {
    std::optional<std::size_t> group;  ///< of lamps that are there already
    std::optional<NamedSite> site;     ///< of the body; nothing: a name of its own
    std::string called;                ///< what a new one goes by; empty: neither place nor name
};
bool liesIn(const LampGroup& group, const std::string& unit) {
    return std::any_of(group.rows.begin(), group.rows.end(), [&](const LampRow& row) {
        return std::any_of(row.lamps.begin(), row.lamps.end(),
                           [&](const Lamp& lamp) { return lamp.fitted.unit == unit; });
    });
}
/// Errors: Unknown where the unit that it names has no such place, and Missing where several have
/// one and it names none.
Result<Where> whereOf(const ParsedLine& said) {
    const Job& job = said.context.job;
    const auto& name = said.name("PLACE");
    Where where{{}, {}, said.at("WORDS").words};
    if (!name) return where;
    std::optional<std::size_t> unit;
    if (said.name("UNIT")) {
        const auto meant = unitOf(said);
        if (!meant) return tl::unexpected(meant.error());
        unit = *meant;
    }
    for (std::size_t i = 0; i < job.groups.size(); ++i) {
        const LampGroup& group = job.groups[i];
        if (group.name == *name && (!unit || liesIn(group, job.units[*unit].id))) where.group = i;
    }
    if (where.group) return where;
    int several = 0;
    std::string there;
    for (NamedSite& each : namedSites(job)) {
        if (unit && each.unit == *unit) there += (there.empty() ? "" : ", ") + each.site->name;
        if (each.called != *name && each.site->name != *name) continue;
        ++several;
        if (unit ? each.unit == *unit : each.called == *name) where.site = std::move(each);
    }
    if (!where.site && unit && (several > 0 || groupNamed(job, *name))) {
        return refuse(ErrorCode::Unknown,
                      text("%1 has no %2. It has: %3. Elsewhere a lamp gets a name: lamp white "
                           "called %2.",
                           unitCalled(job, *unit), *name, there));
    }
    if (!where.site && several > 0) return tl::unexpected(unitOf(said).error());
    if (where.called.empty()) where.called = where.site ? where.site->called : *name;
    return where;
}

/// A new lamp where the line says, on its output; beside those that are on it already. `what` it
/// is, for people; `resistor` of its row.
Result<JotResult> putIn(const ParsedLine& said, Lamp one, const Where& where, const Text& what,
                        std::optional<Ohms> resistor, std::optional<Amperes> wish) {
    const Job& job = said.context.job;
    const std::string& called = where.called;
    for (const LampGroup& group : job.groups) {
        if (lowered(group.name) == lowered(called)) {
            return refuse(
                ErrorCode::NotUnderstood,
                text("There is a lamp called %1 already. Give this one another name.", group.name));
        }
    }
    // Without a place of the body: in its middle, to be moved where it belongs.
    one.fitted.place = called;
    if (where.site) {
        const LampSite& at = *where.site->site;
        one.fitted = {job.units[where.site->unit].id, at.name, {at.at, {}, at.facing}};
    } else {
        const auto unit = unitOf(said);
        if (!unit) return tl::unexpected(unit.error());
        const Body& body = job.units[*unit].body;
        one.fitted.unit = job.units[*unit].id;
        one.fitted.pose.at = {body.length / 2.0, body.height / 2.0};
    }
    JotResult result = jotted(said, {});
    if (const auto& output = said.name("OUTPUT")) {
        for (LampGroup& group : result.after.groups) {
            if (!feeds(group, *output)) continue;
            if (group.isBulbs() != one.part.filament.has_value()) return oneKind(group);
            if (wish) {
                return refuse(ErrorCode::NotUnderstood,
                              text("Output %1 already feeds %2, and lamps of one output share "
                                   "one wish. Leave the wish out, or change it: target %2 %3.",
                                   *output, group.name, formatted(*wish)));
            }
            result.subject = group.id;
            const Text how = joined(said, result.after, group, std::move(one), resistor);
            result.meaning = text("New lamp: %1, %2, beside %3 on output %4%5", called, what,
                                  group.name, *output, how);
            return result;
        }
    }
    const auto output =
        said.name("OUTPUT") ? said.name("OUTPUT") : usualOutput(job, one.fitted.pose.facing);
    if (!output) {
        std::string free;
        for (const Named& each : outputs(said.context)) {
            if (!fedBy(job, each.name)) free += (free.empty() ? "" : ", ") + each.name;
        }
        return refuse(ErrorCode::Missing,
                      free.empty()
                          ? text("On which output? None is free for %1. To put it beside another "
                                 "lamp say so: lamp … on front.",
                                 called)
                          : text("On which output? The one that goes with the place of %1 feeds "
                                 "another lamp; free are: %2. Say so: lamp … on %3.",
                                 called, free, free.substr(0, free.find(','))));
    }
    LampGroup group;
    group.id = newId(result.after, 'L');
    group.wish.series = houseFor(said, said.context.job).drawers;
    group.name = called;
    group.output = *output;
    // What is made for its volts is wished as it is made.
    if (one.part.rated && one.part.forward) group.wish.target = one.part.forward->current;
    group.usualTarget = !wish && !one.part.rated;
    if (wish) group.wish.target = *wish;
    group.rows.push_back({{std::move(one)}, resistor});
    const bool kept = !resistor && keepsCurrent(result.after, group);
    if (kept) group.rows.back().resistor = Ohms{0};
    result.meaning = *output == supplyOutput
                         ? text("New lamp: %1, %2, on the supply", called, what)
                         : text("New lamp: %1, %2, on output %3", called, what, *output);
    if (wish) result.meaning = text("%1, wished %2", result.meaning, formatted(*wish));
    if (kept)
        result.meaning = text("%1, no resistor: the output keeps its current", result.meaning);
    result.subject = group.id;
    result.after.groups.push_back(std::move(group));
    return result;
}

/// "lamp called post warm white": all behind "called" is the name, so its end may be the colour.
tl::unexpected<Error> noColour(const ParsedLine& said, const std::string& called) {
    const std::string all = lowered(called);
    std::string longest;
    for (const Named& each : colours(said.context)) {
        const auto ends = [&](const std::string& word) {
            return word.size() > longest.size() && all.size() > word.size() + 1 &&
                   all.ends_with(" " + lowered(word));
        };
        if (ends(each.name)) longest = each.name;
        for (const std::string& also : each.also) {
            if (ends(also)) longest = also;
        }
    }
    if (longest.empty())
        return refuse(ErrorCode::Missing,
                      text("Which colour? Write it like lamp rear red 2.0V 20mA."));
    return refuse(ErrorCode::Missing,
                  text("Which colour? All behind “called” is its name. Say the colour before it: "
                       "lamp %1 called %2.",
                       longest, called.substr(0, called.size() - longest.size() - 1)));
}

/// "blinker", "bulb" alone: a kind of lamp, of which one has to be said.
std::optional<Error> kindOnly(const ParsedLine& said) {
    const auto& colour = said.name("COLOUR");
    const bool bulb = colour == kindBulb, flicker = colour == kindFlicker;
    if (!bulb && !flicker && colour != kindBlinker) return {};
    std::string all;
    for (const LampPart& part : said.context.catalogue.lamps) {
        if (bulb ? !part.filament : !part.blink || part.blink->flickers != flicker) continue;
        all += (all.empty() ? "" : ", ") + part.id;
    }
    const Text which =
        bulb      ? text("Which bulb? Say what is printed on it: bulb cab 12V 60mA.")
        : flicker ? text("Which flickering LED? Write it like lamp cab flicker-amber-0603.")
                  : text("Which blinker? Write it like lamp rear red blinker.");
    return Error{ErrorCode::Missing, "jot",
                 all.empty() ? which : text("%1 The catalogue has: %2.", which, all)};
}

/// The same line with a place emptied.
ParsedLine withoutPlaces(const ParsedLine& said, std::initializer_list<std::string_view> what) {
    ParsedLine made = said;
    for (std::size_t i = 0; i < made.places.size(); ++i) {
        for (const std::string_view each : what) {
            if (said.command.arguments[i].what == each) made.places[i] = {};
        }
    }
    return made;
}

/// What follows on a line once its first lamp is in: read against the job with it.
template <class Next>
Result<JotResult> andThen(const ParsedLine& said, Result<JotResult> first, Next next) {
    if (!first) return first;
    const Job before = first->after;
    const Context& now = said.context;
    static const WorkshopRecord usual;
    const WorkshopRecord& workshop = now.workshop ? *now.workshop : usual;
    const LampGroup* group = nullptr;
    for (const LampGroup& each : before.groups) {
        if (each.id == first->subject) group = &each;
    }
    if (!group) return first;
    auto then = applyLine(next(*group), before, now.catalogue, now.today, workshop);
    if (!then) return tl::unexpected(then.error());
    const bool only = plain(first->meaning) == group->name;
    if (!only) then->meaning = text("%1; %2", first->meaning, then->meaning);
    then->subject = first->subject;
    return then;
}

Result<JotResult> lamp(const ParsedLine& said);

/// The lamp that a line names, as it is.
Result<JotResult> nothingNew(const ParsedLine& said) {
    const auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (!where->group) return noColour(said, where->called);
    JotResult same = jotted(said, verbatim(said.context.job.groups[*where->group].name));
    same.subject = said.context.job.groups[*where->group].id;
    return same;
}

std::optional<Error> chipCode(const ParsedLine& said, Ohms value);

/// "front lamp 1k", "1k on front lamp", "lamp rear red 1k".
Result<JotResult> withResistor(const ParsedLine& said, Ohms ohms) {
    ParsedLine one = withoutPlaces(said, {"OHMS"});
    if (auto code = chipCode(said, ohms)) return tl::unexpected(std::move(*code));
    // "1k on front": the lamp that output feeds.
    if (!one.at("PLACE").name && one.at("WORDS").words.empty()) {
        const auto& output = one.name("OUTPUT");
        const LampGroup* group = output ? fedBy(said.context.job, *output) : nullptr;
        if (!group) {
            return refuse(
                ErrorCode::Missing,
                text("Which lamp has %1? Write it like resistor front 2k2.", formatted(ohms)));
        }
        const std::string& called = group->name;
        for (std::size_t i = 0; i < one.places.size(); ++i) {
            const std::string_view what = one.command.arguments[i].what;
            if (what == "OUTPUT") one.places[i] = {};
            if (what == "PLACE") one.places[i].name = called;
        }
    }
    const bool only = !one.name("COLOUR") && !one.name("SIZE") && !one.name("OUTPUT") &&
                      one.at("VOLTS").quantities.empty() && one.at("AMPS").quantities.empty() &&
                      one.at("WISH").quantities.empty();
    const std::size_t row = one.at("PLACE").row;
    const auto resistorOf = [&](const LampGroup& group) {
        return "resistor " + group.name + (row > 0 ? "/" + std::to_string(row) : "") + " " +
               asJot(Dimension::Resistance, ohms.value());
    };
    if (only) {
        auto same = nothingNew(one);
        if (!same) return same;
        auto made = andThen(said, std::move(same), resistorOf);
        return made;
    }
    return andThen(said, lamp(one), resistorOf);
}

Result<JotResult> lamp(const ParsedLine& typed) {
    // "move front to 2" is "lamp front on 2".
    ParsedLine said = typed;
    if (typed.name("OUTPUT") && typed.name("TO")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("An output is said twice: %1 and %2. Write one of them.",
                           *typed.name("OUTPUT"), *typed.name("TO")));
    }
    for (std::size_t i = 0; i < said.places.size(); ++i) {
        if (said.command.arguments[i].what != std::string_view("OUTPUT")) continue;
        if (!said.places[i].name) said.places[i].name = typed.name("TO");
    }
    if (const auto& on = typed.name("ON")) {
        if (typed.name("PLACE") || typed.name("COLOUR") || typed.name("OUTPUT") ||
            typed.name("TO")) {
            return refuse(ErrorCode::NotUnderstood,
                          text("%1 is a lamp, not an output. There are: %2.", *on,
                               jot::listed(outputsAndSupply(typed.context), true)));
        }
        ParsedLine meant = withoutPlaces(typed, {"ON"});
        for (std::size_t i = 0; i < meant.places.size(); ++i) {
            if (meant.command.arguments[i].what == std::string_view("PLACE"))
                meant.places[i] = typed.at("ON");
        }
        return lamp(meant);
    }
    if (auto only = kindOnly(said)) return tl::unexpected(std::move(*only));
    // "lamp kitchen 3 white in series", "lamp front 1k": the lamp first, then what else is said.
    const auto& count = said.name("COUNT");
    const auto& how = said.name("HOW");
    if (count.has_value() != how.has_value()) {
        return refuse(ErrorCode::Missing,
                      text("How many, and how: in series or in parallel? Write it like lamp cab 3 "
                           "white in series."));
    }
    if (count) {
        const std::string arranged = how == "in series" ? "inline " : "parallel ";
        ParsedLine one = withoutPlaces(said, {"COUNT", "HOW"});
        one.unsaid = false;  // the count says what is meant
        const bool described =
            one.name("COLOUR") || one.name("SIZE") || !one.at("VOLTS").quantities.empty();
        auto first = described || !one.at("PLACE").name ? lamp(one) : nothingNew(one);
        return andThen(said, std::move(first), [&](const LampGroup& group) {
            return arranged + group.name + " " + *count;
        });
    }
    if (const auto ohms = said.one<Ohms>("OHMS")) return withResistor(said, *ohms);
    const auto point = pointOf(said);
    if (!point) return tl::unexpected(point.error());
    const auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    const auto& colour = said.name("COLOUR");
    const bool bare = said.unsaid && colour && !lampNamed(said.context.catalogue, *colour);
    if (where->group && bare) {
        const std::string& there = said.context.job.groups[*where->group].name;
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already. Begin with what you mean: lamp, parallel, "
                           "inline or antiparallel %1 %2.",
                           there, *colour));
    }
    if (where->group) return describedAnew(said, *where->group, *point);
    // "0603 on front": the lamp that output feeds.
    if (where->called.empty() && said.name("SIZE") && !said.name("COLOUR")) {
        if (const LampGroup* fed =
                said.name("OUTPUT") ? fedBy(said.context.job, *said.name("OUTPUT")) : nullptr) {
            return applyLine("lamp " + fed->name + " " + *said.name("SIZE"), said.context.job,
                             said.context.catalogue, said.context.today,
                             said.context.workshop ? *said.context.workshop : WorkshopRecord{});
        }
    }
    if (where->called.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp? Name its place, like lamp rear red 2.0V 20mA, or give it "
                           "a name: lamp amber called fire glow."));
    }
    if (said.at("PLACE").row != 0)
        return refuse(ErrorCode::Unknown, text("%1 has no rows yet.", where->called));
    if (!said.name("COLOUR")) return noColour(said, where->called);
    auto sized = sizedPart(said, partNamed(said.context.catalogue, *said.name("COLOUR")));
    if (!sized) return tl::unexpected(sized.error());
    const auto part = withPoint(std::move(*sized), *point);
    if (!part) return tl::unexpected(part.error());
    const auto wish = said.one<Amperes>("WISH");
    if (wish && part->filament) return noWish(*part);
    return putIn(said, {{}, *part, point->has_value()}, *where, described(*part, *point),
                 resistorOf(said, *part), wish);
}

/// "bulb cab 16V 50mA": a filament bulb, new or in the place of what is there.
Result<JotResult> bulb(const ParsedLine& said) {
    const auto volts = said.one<Volts>("VOLTS");
    const auto amps = said.one<Amperes>("AMPS");
    if (!volts || !amps) {
        return refuse(ErrorCode::Missing,
                      text("A bulb is known by its volts and what it takes at them: read it, or "
                           "take what is printed on it. Write it like %1.",
                           said.command.examples.front()));
    }
    const FilamentRating rating{*volts, *amps};
    const LampPart part = bulbPart(rating);
    const auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (where->group) return bulbInPlace(said, *where->group, part);
    if (where->called.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp? Name its place, like %1.", said.command.examples.front()));
    }
    return putIn(said, {{}, part, false}, *where, text("%1 bulb", shown(rating)), Ohms{0}, {});
}

/// "parallel front red", "inline front red", "twin front": another lamp beside or behind those of
/// a group, or straight across the last of a row.
enum class Beside { Row, Series, Across };
template <Beside how>
Result<JotResult> another(const ParsedLine& said);
/// "parallel kitchen 3": so many of them in all.
template <Beside how>
Result<JotResult> anotherUpTo(const ParsedLine& said, const std::string& number) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto present = [&](const Job& job) {
        const LampGroup& group = job.groups[address->group];
        return how == Beside::Row ? group.rows.size() : group.rows[address->row].lamps.size();
    };
    const std::size_t wanted = std::stoul(number);
    const std::string& called = said.context.job.groups[address->group].name;
    if (present(said.context.job) >= wanted) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 has %2 already. Take one out: remove %1/1.", called,
                           std::to_string(present(said.context.job))));
    }
    ParsedLine one = said;
    for (std::size_t i = 0; i < one.places.size(); ++i) {
        if (said.command.arguments[i].what == std::string_view("COUNT")) one.places[i] = {};
    }
    Result<JotResult> made = another<how>(one);
    while (made && present(made->after) < wanted) {
        const Context then{made->after, said.context.catalogue, said.context.today,
                           said.context.workshop, said.context.shelf};
        const Job before = made->after;
        made =
            another<how>(ParsedLine{one.command,
                                    {before, then.catalogue, then.today, then.workshop, then.shelf},
                                    one.places,
                                    one.rest});
    }
    if (made) {
        made->meaning = how == Beside::Row ? text("%1: %2 side by side", called, number)
                                           : text("%1: %2 in one row", called, number);
    }
    return made;
}
template <Beside how>
Result<JotResult> another(const ParsedLine& said) {
    if (const auto& count = said.name("COUNT")) return anotherUpTo<how>(said, *count);
    const auto point = pointOf(said);
    if (!point) return tl::unexpected(point.error());
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& group = said.context.job.groups[address->group];
    if (group.isBulbs() && (said.name("COLOUR") || *point)) return oneKind(group);
    Lamp one = group.rows[address->row].lamps.back();  // like its neighbour where nothing is said
    const auto& colour = said.name("COLOUR");
    auto sized =
        said.name("SIZE")
            ? sizedPart(said, colour ? partNamed(said.context.catalogue, *colour) : one.part)
            : Result<LampPart>(colour ? partNamed(said.context.catalogue, *colour) : one.part);
    if (!sized) return tl::unexpected(sized.error());
    const auto part = withPoint(std::move(*sized), *point);
    if (!part) return tl::unexpected(part.error());
    if (colour || *point || said.name("SIZE")) {
        one.part = *part;
        one.measured = point->has_value();
    }
    one.fitted.pose.at.x +=
        one.fitted.pose.facing == Facing::Rear ? Millimetres{-2} : Millimetres{2};
    const Text what = described(one.part, *point);
    if (how == Beside::Across) {
        const LampPart& beside = group.rows[address->row].lamps.back().part;
        for (const LampPart* each : std::initializer_list<const LampPart*>{&one.part, &beside}) {
            if (each->filament || each->rated) {
                return refuse(ErrorCode::NotUnderstood,
                              text("Only bare LEDs stand across each other behind one resistor; "
                                   "%1 hangs beside the others: parallel %2.",
                                   each->name, group.name));
            }
        }
        one.parallel = true;
    } else {
        one.parallel = false;
    }
    JotResult result = jotted(
        said, how == Beside::Series   ? text("%1 in series with %2", what, rowOf(group, *address))
              : how == Beside::Across ? text("%1 straight across the last of %2, behind its "
                                             "resistor",
                                             what, rowOf(group, *address))
                                      : Text());
    result.subject = group.id;
    LampGroup& changed = result.after.groups[address->group];
    if (how != Beside::Row) {
        changed.rows[address->row].lamps.push_back(std::move(one));
    } else {
        const Text where = joined(said, result.after, changed, std::move(one), {});
        result.meaning = text("%1 parallel to %2%3", what, group.name, where);
    }
    return result;
}

/// "antiparallel nose": two rows that stand both ways round hang behind one resistor, the larger of
/// those that they have.
Result<JotResult> acrossEachOther(const ParsedLine& said, std::size_t index) {
    const LampGroup& before = said.context.job.groups[index];
    if (before.driver() || before.rows.size() != 2 || !bothWays(before)) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp comes the other way round? Write it like %1.",
                           said.command.examples.front()));
    }
    Ohms one = before.shared();
    for (const LampRow& row : before.rows) one = std::max(one, *row.resistor);
    if (!(one > Ohms{0})) {
        return refuse(
            ErrorCode::Missing,
            text("Both hang behind one resistor. Choose it first: shared %1 1k.", before.name));
    }
    JotResult result = jotted(said, text("The two of %1 straight across each other, both behind %2",
                                         before.name, formatted(one)));
    result.subject = before.id;
    LampGroup& group = result.after.groups[index];
    group.connection = SharedResistor{one};
    for (LampRow& row : group.rows) row.resistor = Ohms{0};
    return result;
}

/// "antiparallel nose red": a lamp the other way round across those of a row, behind its resistor.
Result<JotResult> antiparallelTo(const ParsedLine& said) {
    const auto point = pointOf(said);
    if (!point) return tl::unexpected(point.error());
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    if (before.isBulbs()) return oneKind(before);
    if (!said.name("COLOUR") && !*point) return acrossEachOther(said, *index);
    if (!said.name("COLOUR")) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp comes the other way round? Write it like %1.",
                           said.command.examples.front()));
    }
    if (before.driver() || before.rows.size() != 1) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Antiparallel are two rows behind one resistor; %1 is not one row of "
                           "its own.",
                           before.name));
    }
    // Where it is not chosen yet the usual one for the wish is.
    Ohms resistor = before.shared() + before.rows.front().resistor.value_or(Ohms{0});
    if (!before.rows.front().resistor) {
        const WorkshopRules house = houseFor(said, said.context.job);
        if (const auto state = groupState(said.context.job, before, house)) {
            resistor = fittedResistor(state->rows.front().ideal, before.wish).value_or(Ohms{0});
        }
    }
    if (!(resistor > Ohms{0})) {
        return refuse(
            ErrorCode::Missing,
            text("Both hang behind one resistor. Choose it first: resistor %1 1k.", before.name));
    }
    const auto part = withPoint(partNamed(said.context.catalogue, *said.name("COLOUR")), *point);
    if (!part) return tl::unexpected(part.error());
    if (part->filament) return oneKind(before);
    for (const LampPart* each : {&*part, &before.rows.front().lamps.front().part}) {
        if (!each->rated) continue;
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 has its resistor in it, and keeps no volts from what lies across "
                           "it.",
                           each->name));
    }
    JotResult result =
        jotted(said, text("%1 the other way round across %2, both behind %3",
                          described(*part, *point), before.name, formatted(resistor)));
    result.subject = before.id;
    LampGroup& group = result.after.groups[*index];
    group.connection = SharedResistor{resistor};
    group.rows.front().resistor = Ohms{0};
    LampRow other = group.rows.front();
    other.backwards = !other.backwards;
    other.tested.reset();
    other.installed = {};
    other.lamps.resize(1);
    other.lamps.front().part = *part;
    other.lamps.front().measured = point->has_value();
    group.rows.push_back(std::move(other));
    return result;
}

/// "turned nose/2": how lamps stand was found out.
Result<JotResult> backwards(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& before = said.context.job.groups[address->group];
    if (before.isBulbs()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is a filament bulb: it lights either way round.", before.name));
    }
    const bool none = said.name("none").has_value();
    const std::string called = rowOf(before, *address);
    JotResult result = jotted(said, none ? text("%1: the usual way round", called)
                                         : text("%1: the other way round", called));
    result.subject = before.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        if (address->wholeCircuit || i == address->row) rows[i].backwards = !none;
    }
    return result;
}

/// "plan headlamp, two ditch lamps half as bright, tail red": all of it as one change, each lamp
/// with its output and its resistor.
Result<JotResult> plan(const ParsedLine& said) {
    const auto lights = lightPlan(said.rest, said.context.job);
    if (!lights) return tl::unexpected(lights.error());
    static const WorkshopRecord usual;
    const WorkshopRecord& workshop = said.context.workshop ? *said.context.workshop : usual;
    JotResult all = jotted(said, {});
    for (const PlannedLight& light : *lights) {
        if (groupNamed(all.after, light.name)) {
            return refuse(
                ErrorCode::NotUnderstood,
                text("%1 is there already. Leave it out, or take it out first: remove %1.",
                     light.name));
        }
        const auto made = applyLine(linesOf(light, all.after), all.after, said.context.catalogue,
                                    said.context.today, workshop);
        if (!made) return tl::unexpected(made.error());
        all.after = made->after;
        const LampGroup& group = *groupNamed(all.after, light.name);
        if (all.subject.empty()) all.subject = group.id;
        const Text one = text("%1%2, %3, wished %4, %5 on output %6",
                              light.count > 1 ? std::to_string(light.count) + " × " : std::string(),
                              light.name, light.colour, formatted(light.wish),
                              formatted(*group.rows.front().resistor), group.output);
        all.meaning = all.meaning.empty() ? one : text("%1; %2", std::move(all.meaning), one);
    }
    return all;
}

/// "strip saloon 150mm": sections of a strip side by side along the body, cut where it may be.
Result<JotResult> strip(const ParsedLine& said) {
    const auto meant = stripMeant(said);
    if (!meant) return tl::unexpected(meant.error());
    const LampPart& part = *meant;
    const Millimetres length = *said.one<Millimetres>("LENGTH");
    const Millimetres section = *part.section;
    // A tenth of a millimetre of play, so that 150 mm are three times 50.
    const int sections =
        static_cast<int>(std::floor(((length + Millimetres{0.1}) / section).value()));
    if (sections < 1) {
        return refuse(ErrorCode::OutOfRange,
                      text("That strip is cut only at every %1.", formatted(section)));
    }
    if (sections > 200) {
        return refuse(ErrorCode::OutOfRange, text("That would be %1 sections: no model is so long.",
                                                  std::to_string(sections)));
    }
    auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (where->group) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already. Take it out first: remove %1.",
                           said.context.job.groups[*where->group].name));
    }
    if (where->called.empty()) where->called = "light strip";
    auto result =
        putIn(said, {{}, part, false}, *where, verbatim(part.name), resistorOf(said, part), {});
    if (!result) return result;
    const auto group =
        std::find_if(result->after.groups.begin(), result->after.groups.end(),
                     [&](const LampGroup& each) { return each.id == result->subject; });
    const LampRow first = group->rows.back();
    group->rows.pop_back();
    for (int i = 0; i < sections; ++i) {
        LampRow row = first;
        row.lamps.front().fitted.pose.at.x += section * (i - (sections - 1) / 2.0);
        group->rows.push_back(std::move(row));
    }
    result->meaning = text("%1; sections: %2, cut at %3", result->meaning, std::to_string(sections),
                           formatted(section * sections));
    return result;
}

// --- ready-wired lamps -----------------------------------------------------------------------

/// "red, amber or yellow".
std::string oneOf(const std::vector<LedFamily>& families) {
    std::string words;
    for (std::size_t i = 0; i < families.size(); ++i) {
        words += (i == 0 ? "" : i + 1 == families.size() ? " or " : ", ");
        words += name(families[i]);
    }
    return words;
}

/// A lamp with a resistor hidden in it becomes a part by what was read at its leads.
Result<JotResult> wired(const ParsedLine& said) {
    const auto volts = said.all<Volts>("VOLTS");
    const auto amps = said.all<Amperes>("AMPS");
    if (volts.size() != amps.size() || volts.empty()) {
        return refuse(ErrorCode::Missing,
                      text("To each voltage belongs the current at it. Write it like %1.",
                           said.command.examples.front()));
    }
    const auto& where = said.name("LAMP");
    if (where && !groupNamed(said.context.job, *where)) {
        // Nothing is there yet: what was read is put in.
        const Context& now = said.context;
        static const WorkshopRecord usual;
        const auto put =
            applyLine("lamp " + *where + " " + said.name("COLOUR").value_or("white"), now.job,
                      now.catalogue, now.today, now.workshop ? *now.workshop : usual);
        if (!put) return tl::unexpected(put.error());
        const Context there{put->after, now.catalogue, now.today, now.workshop, now.shelf};
        auto made = wired({said.command, there, said.places, said.rest});
        if (made) made->meaning = text("%1; %2", put->meaning, std::move(made->meaning));
        return made;
    }
    const auto address = oneRow(said);
    if (!address) return tl::unexpected(address.error());
    const LampGroup& before = said.context.job.groups[address->group];
    std::vector<ForwardPoint> readings;
    for (std::size_t i = 0; i < volts.size(); ++i) readings.push_back({volts[i], amps[i]});
    std::optional<LedFamily> family;
    LampPart part;
    if (const auto& colour = said.name("COLOUR")) {
        part = partNamed(said.context.catalogue, *colour);
        family = part.family;
    }
    // The current of a chip that blinks or flickers follows no LED's law: what it is stays.
    const LampPart was = before.rows[address->row].lamps.front().part;
    if (was.blink && !family) family = was.family;
    const auto lamp = wiredLamp(readings, family);
    if (!lamp) return tl::unexpected(lamp.error());
    const ForwardPoint& most =
        *std::max_element(readings.begin(), readings.end(),
                          [](const auto& a, const auto& b) { return a.current < b.current; });
    if (lamp->kind == WiredLamp::Kind::Filament) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("That is a filament bulb: its current rises with the power %1 of its volts, where "
                 "an LED's rises faster. Enter it with its rated volts: bulb %2 %3.",
                 formatted(lamp->exponent, Dimension::Ratio, 2), before.name,
                 shown(FilamentRating{most.voltage, most.current})));
    }
    if (lamp->kind == WiredLamp::Kind::Resistor) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("That is a resistor of %1 and no lamp: its LED is bridged, or the probes "
                 "sat before it.",
                 formatted(lamp->resistor, 3)));
    }
    // What was there says its colour, where the readings leave it open.
    const LedFamily there = before.rows[address->row].lamps.front().part.family;
    const bool open =
        std::find(lamp->families.begin(), lamp->families.end(), there) != lamp->families.end();
    if (!family) {
        part = open ? was : LampPart();
        part.family = open ? there : lamp->families.front();
    } else if (was.blink && was.family == *family) {
        part.blink = was.blink;
        part.tint = was.tint;
        part.family = was.family;
    }
    const FamilyValues values = familyValues(part.family);
    const double n = lamp->inSeries;
    const bool bare = lamp->resistor < Ohms{10};
    const std::string leds = lamp->inSeries == 1
                                 ? std::string(name(part.family)) + " LED"
                                 : std::to_string(lamp->inSeries) + " " +
                                       std::string(name(part.family)) + " LEDs in series";
    part.id.clear();
    part.name = bare ? leds : leds + " behind " + formatted(lamp->resistor, 2);
    part.forward = most;
    part.emission = n * values.emission;
    part.series = values.series * n + lamp->resistor;
    if (const auto possible = law(part); !possible) return tl::unexpected(possible.error());
    JotResult result =
        jotted(said, lamp->families.size() > 1
                         ? text("%1: %2 (by its readings %3)", rowOf(before, *address), part.name,
                                oneOf(lamp->families))
                         : text("%1: %2", rowOf(before, *address), part.name));
    // The meter goes before what was entered, and says so.
    if (!family && !open)
        result.meaning = text("%1; it was entered as %2", result.meaning, was.name);
    std::string read;
    for (const ForwardPoint& each : readings) read += (read.empty() ? "" : ", ") + shown(each);
    result.meaning = text("%1; read %2", std::move(result.meaning), read);
    result.subject = before.id;
    LampRow& row = result.after.groups[address->group].rows[address->row];
    row.lamps.resize(1, row.lamps.front());
    const Job& job = said.context.job;
    if (!bare && !row.resistor && worksWithout(job, houseFor(said, job), part)) {
        row.resistor = Ohms{0};
        result.meaning = text("%1; it needs no other resistor", std::move(result.meaning));
    }
    row.lamps.front().part = std::move(part);
    row.lamps.front().measured = true;
    return result;
}

// --- resistors, wishes, places ---------------------------------------------------------------

/// Ohms, or the word instead of them; both or neither is nothing.
/// "102" is printed on a chip of 1 kΩ; no drawer holds 102 Ω of E24. What such a bare number is
/// gets asked.
std::optional<Error> chipCode(const ParsedLine& said, Ohms value) {
    const double ohms = value.value();
    // Up to 100 kΩ, as lamps have them.
    const bool three = ohms >= 100 && ohms < 1000 && !(ohms > std::floor(ohms));
    if (!three || isPreferred(value, Series::E24)) return {};
    const auto whole = static_cast<int>(ohms);
    const std::string digits = std::to_string(whole);
    // Only as a bare number: with a unit or R it is meant as it stands.
    std::istringstream words(said.rest);
    bool bare = false;
    for (std::string word; words >> word;) bare = bare || word == digits;
    if (!bare) return {};
    const double coded = (whole / 10) * std::pow(10.0, whole % 10);
    if (!(coded > 0) || coded > 1e5 || !isPreferred(Ohms{coded}, Series::E24)) return {};
    return Error{ErrorCode::NotUnderstood, "jot",
                 text("“%1” printed on a chip is %2. Write %3 for that, or %1R for %1 Ω.", digits,
                      formatted(Ohms{coded}), asJot(Dimension::Resistance, coded, 3))};
}

Result<std::optional<Ohms>> ohmsOr(const ParsedLine& said, std::string_view word) {
    const auto value = said.one<Ohms>("OHMS");
    const auto& instead = said.name(word);
    if (value) {
        if (auto code = chipCode(said, *value)) return tl::unexpected(std::move(*code));
    }
    if (value && instead) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 and %2: only one of them can be.", formatted(*value), *instead));
    }
    if (!value && !instead) {
        return refuse(ErrorCode::Missing,
                      text("How many ohms? Write it like %1.", said.command.examples.front()));
    }
    if (instead == "open" || instead == "unknown") return std::optional<Ohms>{};
    return value ? value : std::optional(Ohms{0});
}

Result<JotResult> resistor(const ParsedLine& said) {
    const auto value = ohmsOr(said, "none");
    if (!value) return tl::unexpected(value.error());
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& group = said.context.job.groups[address->group];
    if (address->wholeCircuit && antiparallel(group)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("The rows of %1 hang behind one resistor: shared %1 %2.", group.name,
                           *value ? formatted(**value) : std::string("1k")));
    }
    const std::string called = rowOf(group, *address);
    const auto body = said.name("PACKAGE") ? named<ResistorPackage>(*said.name("PACKAGE"))
                                           : std::optional<ResistorPackage>();
    JotResult result =
        jotted(said, !*value             ? text("%1: resistor not chosen", called)
                     : **value > Ohms{0} ? text("%1: resistor %2", called, formatted(**value))
                                         : text("%1: no resistor", called));
    if (body) result.meaning = text("%1, %2", result.meaning, shown(*body));
    result.subject = group.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        if (!address->wholeCircuit && i != address->row) continue;
        rows[i].resistor = *value;
        if (body) rows[i].package = body;
    }
    return result;
}

Result<JotResult> shared(const ParsedLine& said) {
    const auto value = ohmsOr(said, "none");
    if (!value) return tl::unexpected(value.error());
    const auto group = groupOf(said);
    if (!group) return tl::unexpected(group.error());
    const std::string& called = said.context.job.groups[*group].name;
    JotResult result =
        jotted(said, **value > Ohms{0} ? text("%1: shared resistor %2", called, formatted(**value))
                                       : text("%1: no shared resistor", called));
    result.subject = said.context.job.groups[*group].id;
    LampGroup& changed = result.after.groups[*group];
    const bool one = **value > Ohms{0};
    // One for all takes the place of those that were not chosen; without it they are to be chosen.
    // Where a row has one of its own, the others are to get theirs too.
    const bool owns = std::any_of(changed.rows.begin(), changed.rows.end(), [](const LampRow& row) {
        return row.resistor.value_or(Ohms{0}) > Ohms{0};
    });
    bool filled = false;
    for (LampRow& row : changed.rows) {
        if (one && !owns && !row.resistor) {
            row.resistor = Ohms{0};
            filled = true;
        } else if (!one && changed.shared() > Ohms{0} && row.resistor == Ohms{0}) {
            row.resistor.reset();
        }
    }
    if (filled) result.meaning = text("%1, none of its own for a row", result.meaning);
    if (one)
        changed.connection = SharedResistor{**value};
    else
        changed.connection = OwnResistors{};
    return result;
}

/// A lamp that stands across another becomes a row by itself.
void splitAcross(LampGroup& group) {
    std::vector<LampRow> rows;
    for (const LampRow& row : group.rows) {
        LampRow rest = row;
        rest.lamps.clear();
        std::vector<LampRow> alone;
        for (const Lamp& lamp : row.lamps) {
            if (!lamp.parallel) {
                rest.lamps.push_back(lamp);
                continue;
            }
            LampRow one = row;
            one.lamps = {lamp};
            one.lamps.front().parallel = false;
            alone.push_back(std::move(one));
        }
        const bool changed = !alone.empty();
        rows.push_back(std::move(rest));
        std::ranges::move(alone, std::back_inserter(rows));
        for (std::size_t r = rows.size() - alone.size() - 1; changed && r < rows.size(); ++r) {
            rows[r].tested.reset();
            rows[r].installed = {};
        }
    }
    group.rows = std::move(rows);
}

/// "own front": each row its own resistor, chosen for the wish, and none shared; a lamp across
/// another becomes a row.
Result<JotResult> ownResistors(const ParsedLine& said, std::size_t index, JotResult result) {
    LampGroup& group = result.after.groups[index];
    group.connection = OwnResistors{};
    const WorkshopRules house = houseFor(said, result.after);
    const auto state = groupState(result.after, group, house);
    if (!state) return tl::unexpected(state.error());
    std::string all;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const auto value = fittedResistor(state->rows[r].ideal, group.wish);
        if (!value || !(state->rows[r].ideal > Ohms{0})) {
            return refuse(ErrorCode::OutOfRange,
                          text("%1 is too little for the LEDs of %2: put fewer in a row.",
                               formatted(state->bus), group.name));
        }
        group.rows[r].resistor = *value;
        all += (all.empty() ? "" : ", ") + formatted(*value);
    }
    result.meaning = text("%1: a resistor of its own for each, %2", group.name, all);
    result.subject = group.id;
    return result;
}
Result<JotResult> own(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    JotResult result = jotted(said, {});
    splitAcross(result.after.groups[*index]);
    return ownResistors(said, *index, std::move(result));
}

/// "split front": each LED of its rows in a row by itself, with its own resistor.
Result<JotResult> split(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    JotResult result = jotted(said, {});
    LampGroup& group = result.after.groups[*index];
    if (group.isBulbs()) return oneKind(group);
    std::vector<LampRow> rows;
    for (const LampRow& row : group.rows) {
        for (const Lamp& lamp : row.lamps) {
            LampRow one = row;
            one.lamps = {lamp};
            one.lamps.front().parallel = false;
            if (row.lamps.size() > 1) {
                one.tested.reset();
                one.installed = {};
            }
            rows.push_back(std::move(one));
        }
    }
    if (rows.size() == group.rows.size()) {
        result.meaning = text("%1: one LED in each row already", group.name);
        result.subject = group.id;
        return result;
    }
    constexpr std::size_t most = 200;  // as of a strip
    if (rows.size() > most) {
        return refuse(ErrorCode::OutOfRange,
                      text("That would be %1 rows; up to %2 are kept.", std::to_string(rows.size()),
                           std::to_string(most)));
    }
    group.rows = std::move(rows);
    return ownResistors(said, *index, std::move(result));
}

struct Share {
    const char* name;
    double of;
    std::initializer_list<const char*> also;
};
constexpr Share shares[] = {{"half", 0.5, {"half as bright"}},
                            {"third", 1.0 / 3, {"a third"}},
                            {"quarter", 0.25, {"a quarter"}},
                            {"twice", 2, {"double"}},
                            {"tenth", 0.1, {"a tenth"}}};
std::vector<Named> shareNames(const Context&) {
    std::vector<Named> all;
    for (const Share& each : shares) {
        all.push_back({each.name, {each.also.begin(), each.also.end()}, "of another lamp's light"});
    }
    return all;
}

/// A wish by another lamp: light follows current, so the share of its light is one of its current.
Result<JotResult> targetLike(const ParsedLine& said, std::size_t group) {
    const auto& share = said.name("SHARE");
    const auto& of = said.name("OF");
    const auto& like = said.name("LIKE");
    const auto& as = said.name("AS");  // as bright as, half as bright as
    const bool one = of.has_value() + like.has_value() + as.has_value() == 1;
    if (!one || (of && !share) || (share && like)) {
        return refuse(ErrorCode::Missing,
                      text("Half of which lamp? Write it like %1.", said.command.examples[1]));
    }
    const Job& job = said.context.job;
    const std::string& other = of ? *of : as ? *as : *like;
    const auto to = std::find_if(job.groups.begin(), job.groups.end(),
                                 [&](const LampGroup& each) { return each.name == other; });
    const LampGroup& own = job.groups[group];
    if (to->id == own.id) {
        return refuse(ErrorCode::NotUnderstood, text("%1 is that lamp itself.", own.name));
    }
    // What it takes as it stands; without a resistor yet what it is wished.
    static const WorkshopRules usual;
    const auto state =
        groupState(job, *to, said.context.workshop ? said.context.workshop->house : usual);
    const bool stands = state && !state->rows.empty() && state->rows[0].connected;
    const Amperes its = stands ? state->rows[0].current : to->wish.target;
    double part = 1;
    for (const Share& each : shares) {
        if (share && *share == each.name) part = each.of;
    }
    const Amperes value = its * part;
    if (value < Amperes{20e-6} || value > Amperes{0.3}) {
        return refuse(ErrorCode::OutOfRange,
                      text("That would be %1: no lamp is wished so.", formatted(value, 2)));
    }
    const bool alike = own.rows[0].lamps[0].part.family == to->rows[0].lamps[0].part.family;
    Text meaning =
        share ? text("%1: wished current %2, %3 of %4’s %5", own.name, formatted(value, 3), *share,
                     other, formatted(its, 3))
              : text("%1: wished current %2, like %3", own.name, formatted(value, 3), other);
    if (!alike) meaning = text("%1; of another colour, so only roughly as bright", meaning);
    JotResult result = jotted(said, std::move(meaning));
    result.subject = own.id;
    result.after.groups[group].wish.target = value;
    result.after.groups[group].usualTarget = false;
    return result;
}

Result<JotResult> target(const ParsedLine& said) {
    const auto group = groupOf(said);
    if (!group) return tl::unexpected(group.error());
    const auto amps = said.one<Amperes>("AMPS");
    if (said.name("SHARE") || said.name("OF") || said.name("LIKE") || said.name("AS")) {
        if (!amps) return targetLike(said, *group);
        return refuse(ErrorCode::NotUnderstood,
                      text("%1, or as another lamp: only one of them can be.", formatted(*amps)));
    }
    if (!amps) {
        return refuse(ErrorCode::Missing, text("A wish is a current. Write it like %1.",
                                               said.command.examples.front()));
    }
    const Amperes value = *amps;
    const std::string& called = said.context.job.groups[*group].name;
    JotResult result = jotted(said, text("%1: wished current %2", called, formatted(value)));
    result.subject = said.context.job.groups[*group].id;
    result.after.groups[*group].wish.target = value;
    result.after.groups[*group].usualTarget = false;
    return result;
}

/// "series kitchen": all rows of it become one, its resistor to be chosen again.
Result<JotResult> oneRowOf(const ParsedLine& said, std::size_t index) {
    const LampGroup& before = said.context.job.groups[index];
    if (before.rows.size() < 2) {
        return refuse(ErrorCode::Missing,
                      text("%1 is one row already. Which lamp comes behind it, or which series of "
                           "values? Write it like series %1 white, or series %1 E24.",
                           before.name));
    }
    if (before.isBulbs()) return oneKind(before);
    if (bothWays(before)) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("%1 has lamps of both ways round: in one row none would light.", before.name));
    }
    JotResult result = jotted(said, {});
    result.subject = before.id;
    LampGroup& group = result.after.groups[index];
    LampRow& row = group.rows.front();
    for (std::size_t i = 1; i < group.rows.size(); ++i)
        row.lamps.insert(row.lamps.end(), group.rows[i].lamps.begin(), group.rows[i].lamps.end());
    group.rows.resize(1);
    row.tested.reset();
    row.installed = {};
    const bool kept = group.driver() || keepsCurrent(result.after, group);
    row.resistor = kept ? std::optional(Ohms{0}) : std::nullopt;
    if (!group.driver()) group.connection = OwnResistors{};
    const std::string count = std::to_string(row.lamps.size());
    result.meaning = kept
                         ? text("%1: %2 lamps in one row", before.name, count)
                         : text("%1: %2 lamps in one row; choose its resistor", before.name, count);
    return result;
}

Result<JotResult> series(const ParsedLine& said) {
    const auto group = groupOf(said);
    if (!group) return tl::unexpected(group.error());
    if (said.name("COLOUR") && said.name("NAME")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("A lamp in its row, or a series of values: one line for each."));
    }
    if (said.name("COLOUR")) return another<Beside::Series>(said);
    if (!said.name("NAME")) return oneRowOf(said, *group);
    const std::string& wanted = *said.name("NAME");
    const std::string& called = said.context.job.groups[*group].name;
    JotResult result = jotted(said, text("%1: resistors of series %2", called, wanted));
    result.subject = said.context.job.groups[*group].id;
    result.after.groups[*group].wish.series = *named<Series>(wanted);
    return result;
}

/// What an output does, as it was found or told; LEDs want one that switches to ground.
Result<JotResult> outputKind(const ParsedLine& said) {
    const std::string& called = *said.name("OUTPUT");
    const std::string& word = *said.name("KIND");
    const OutputKind kind = named<OutputKind>(word).value_or(OutputKind::Unknown);
    if (said.one<Ohms>("OHMS") || said.name("bare")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Its kind, or what its board carries: one line for each."));
    }
    const auto amps = said.one<Amperes>("AMPS");
    JotResult result = jotted(said, amps ? text("Output %1: %2, %3", called, word, formatted(*amps))
                                         : text("Output %1: %2", called, word));
    for (DecoderOutput& each : result.after.decoder->part.outputs) {
        if (each.name != called) continue;
        each.kind = kind;
        if (amps) each.limit = amps;
    }
    if (const LampGroup* group = fedBy(said.context.job, called)) result.subject = group->id;
    return result;
}

/// "output front 100mA": what it bears; "unmarked": nobody knows.
Result<JotResult> outputLimit(const ParsedLine& said, std::optional<Amperes> amps) {
    if (said.one<Ohms>("OHMS") || said.name("bare") || (amps && said.name("unmarked"))) {
        return refuse(ErrorCode::NotUnderstood,
                      text("What an output bears is said by itself. Write it like output %1 100mA.",
                           *said.name("OUTPUT")));
    }
    const std::string& called = *said.name("OUTPUT");
    JotResult result = jotted(said, amps ? text("Output %1 bears %2", called, formatted(*amps))
                                         : text("Nobody knows what output %1 bears", called));
    for (DecoderOutput& each : result.after.decoder->part.outputs) {
        if (each.name == called) each.limit = amps;
    }
    if (const LampGroup* group = fedBy(said.context.job, called)) result.subject = group->id;
    return result;
}

Result<JotResult> output(const ParsedLine& said) {
    if (said.name("KIND")) return outputKind(said);
    const auto amps = said.one<Amperes>("AMPS");
    if (amps || said.name("unmarked")) return outputLimit(said, amps);
    const auto value = ohmsOr(said, "bare");
    if (!value) return tl::unexpected(value.error());
    const std::string& called = *said.name("OUTPUT");
    JotResult result = jotted(said, !*value             ? text("Output %1: not looked at", called)
                                    : **value > Ohms{0} ? text("Output %1 carries %2 on the board",
                                                               called, formatted(**value))
                                                        : text("Output %1 is bare", called));
    for (DecoderOutput& each : result.after.decoder->part.outputs) {
        if (each.name != called) continue;
        each.series = *value;
        each.seriesMeasured = *value ? said.context.today : "";
    }
    if (const LampGroup* group = fedBy(said.context.job, called)) result.subject = group->id;
    return result;
}

Result<JotResult> place(const ParsedLine& said) {
    const auto lengths = said.all<Millimetres>("BACK UP");
    std::optional<Facing> facing;
    if (const auto& direction = said.name("DIRECTION")) facing = named<Facing>(*direction);
    if (lengths.size() != 2 && !(facing && lengths.empty())) {
        return refuse(ErrorCode::Missing,
                      text("Give the way back from the front and the height over "
                           "the rail. Write it like place front 3mm 41mm."));
    }
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& group = said.context.job.groups[address->group];
    const bool all = lengths.empty() && address->wholeCircuit;
    const std::string called = all ? group.name : rowOf(group, *address);
    JotResult result =
        jotted(said, lengths.empty() ? text("%1", called)
                                     : text("%1: %2 from the front, %3 up", called,
                                            formatted(lengths[0]), formatted(lengths[1])));
    if (facing) {
        result.meaning = lengths.empty() ? text("%1 faces %2", called, std::string(name(*facing)))
                                         : text("%1, facing %2", std::move(result.meaning),
                                                std::string(name(*facing)));
    }
    result.subject = group.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; facing && i < rows.size(); ++i) {
        if (!all && i != address->row) continue;
        for (Lamp& each : rows[i].lamps) each.fitted.pose.facing = *facing;
    }
    if (lengths.empty()) return result;
    LampRow& row = rows[address->row];
    const Point from = row.lamps.front().fitted.pose.at;
    for (Lamp& each : row.lamps) {
        each.fitted.pose.at.x += lengths[0] - from.x;
        each.fitted.pose.at.z += lengths[1] - from.z;
    }
    return result;
}

Result<JotResult> removeLamp(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const std::string called = said.context.job.groups[address->group].name;
    JotResult result = jotted(said, {});
    auto& groups = result.after.groups;
    auto& rows = groups[address->group].rows;
    if (address->wholeCircuit || rows.size() == 1) {
        groups.erase(groups.begin() + static_cast<std::ptrdiff_t>(address->group));
        result.meaning = text("%1 removed", called);
    } else {
        rows.erase(rows.begin() + static_cast<std::ptrdiff_t>(address->row));
        result.meaning = text("Row %1 of %2 removed", std::to_string(address->row + 1), called);
        result.subject = groups[address->group].id;
    }
    return result;
}

// --- the table -------------------------------------------------------------------------------

/// "join cab lamp front lamp": both on one output, lit together. Which of the two outputs does not
/// hang on the order of the words: the one that the decoder has, of two the first of the record.
Result<JotResult> join(const ParsedLine& said) {
    const Job& job = said.context.job;
    const LampGroup* kept = groupNamed(job, *said.name("LAMP"));
    const LampGroup* moved = groupNamed(job, *said.name("BESIDE"));
    if (!moved || !kept || moved == kept) {
        return refuse(ErrorCode::NotUnderstood, text("Which lamp is hung beside which other?"));
    }
    const auto rank = [&](const LampGroup* group) {
        return std::pair(!outputNamed(job, group->output), group - job.groups.data());
    };
    if (rank(moved) < rank(kept)) std::swap(moved, kept);
    if (moved->isBulbs() != kept->isBulbs()) return oneKind(*kept);
    if (moved->shared() > Ohms{0} || kept->shared() > Ohms{0}) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Rows behind a shared resistor cannot be joined to others as they are. "
                           "Give them their own first: own %1.",
                           moved->shared() > Ohms{0} ? moved->name : kept->name));
    }
    JotResult result =
        jotted(said, text("%1 hangs beside %2 on output %3: they light together, wished "
                          "%4",
                          moved->name, kept->name, kept->output, formatted(kept->wish.target)));
    std::vector<LampGroup>& groups = result.after.groups;
    const auto at = [&](const LampGroup* group) {
        return groups.begin() + (group - job.groups.data());
    };
    std::vector<LampRow> rows = moved->rows;
    for (LampRow& row : rows) {
        // A driver wants no resistors; without one they are to be chosen.
        if (kept->driver())
            row.resistor = Ohms{0};
        else if (moved->driver())
            row.resistor.reset();
    }
    at(kept)->rows.insert(at(kept)->rows.end(), rows.begin(), rows.end());
    result.subject = kept->id;
    groups.erase(at(moved));
    return result;
}

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
