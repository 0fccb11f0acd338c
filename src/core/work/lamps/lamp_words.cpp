#include "core/work/lamps/lamp_words.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamp_sites.h"
#include "core/analysis/supply.h"
#include "core/jot/names.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/feed_verbs.h"
#include "core/work/lamps/lamp_verbs.h"
#include "core/work/lamps/more_lamps.h"
#include "core/work/lamps/new_lamp.h"
#include "core/work/lamps/resistor_verbs.h"

#include <algorithm>
#include <set>

namespace glimmet::core::lamps {

using namespace jot;

namespace {

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

}  // namespace

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

Result<LampPart> withPoint(LampPart part, const std::optional<ForwardPoint>& point) {
    if (!point) return part;
    part.forward = point;
    if (const auto possible = law(part); !possible) return tl::unexpected(possible.error());
    return part;
}

std::string shown(const ForwardPoint& point) {
    return formatted(point.voltage) + " at " + formatted(point.current);
}

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

namespace {

/// Whether a house that shares would hang one more of these behind one resistor: bare LEDs of one
/// kind, each alone in its row.
bool wouldShare(const LampGroup& group, const Lamp& one) {
    if (group.isBulbs() || group.driver() || one.part.rated || one.part.filament) return false;
    return std::all_of(group.rows.begin(), group.rows.end(), [&](const LampRow& row) {
        return row.lamps.size() == 1 && row.lamps.front().part == one.part && !row.backwards;
    });
}

}  // namespace

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

}  // namespace glimmet::core::lamps
