#include "core/work/lamps/feed_verbs.h"

#include "core/analysis/rail_feed.h"
#include "core/analysis/supply.h"

namespace glimmet::core::lamps {

using namespace jot;

std::vector<Named> capacitorNames(const Context&) {
    return {{"electrolytic", {}, "the usual one"},
            {"ceramic", {"mlcc"}, "loses half of it near its rated volts"},
            {"tantalum", {}, "wants twice the volts"},
            {"none", {"no"}, "no capacitor"}};
}
std::vector<Named> withoutIt(const Context&) { return {{"none", {"no"}, "without it"}}; }
std::vector<Named> packageNames(const Context&) {
    std::vector<Named> all;
    for (const auto& [package, word] : wordsOf(ResistorPackage())) {
        Named named{std::string(word), {}, "a resistor's body"};
        if (named.name.ends_with('W') && named.name.find('/') != std::string::npos) {
            const std::string watts = named.name.substr(0, named.name.size() - 1);
            named.also = {watts + " W", watts + " watt"};
        }
        all.push_back(std::move(named));
    }
    all.push_back({"open", {"unknown"}, "not chosen yet"});
    return all;
}

std::vector<Named> fullName(const Context&) { return {{"full", {"none"}, "not dimmed"}}; }

/// "dim front 40%"
Result<JotResult> dim(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    const auto& share = said.at("SHARE").quantities;
    const bool full = said.name("full").has_value();
    if (share.empty() != full) {
        return refuse(ErrorCode::Missing, text("To what share of its light? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (!full && before.output == supplyOutput) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 hangs straight on the supply, where nothing dims it: a larger "
                           "resistor does.",
                           before.name));
    }
    const double to = full ? 1 : share.front();
    JotResult result =
        jotted(said, full ? text("%1: at full light", before.name)
                          : text("%1: dimmed to %2 by the decoder", before.name, percent(to)));
    result.subject = before.id;
    result.after.groups[*index].dimmed = to;
    return result;
}

std::vector<Named> notSoft(const Context&) { return {{"none", {"at once"}, "on and off at once"}}; }

/// "soft front 0.8s"
Result<JotResult> soft(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    const auto seconds = said.one<Seconds>("SECONDS");
    if (seconds.has_value() == said.name("none").has_value()) {
        return refuse(ErrorCode::Missing, text("Within how long does it come on? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (seconds && before.output == supplyOutput) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("%1 hangs straight on the supply: it is on or off with that.", before.name));
    }
    JotResult result =
        jotted(said, seconds ? text("%1: comes on and goes within %2, by the decoder", before.name,
                                    formatted(*seconds))
                             : text("%1: on and off at once", before.name));
    result.subject = before.id;
    result.after.groups[*index].soft = seconds.value_or(Seconds{0});
    return result;
}

std::vector<Named> poleNames(const Context&) {
    return {{"one-pole", {"one pole", "single-pole"}, "it opens one wire"},
            {"two-pole", {"two poles", "double-pole"}, "it opens both wires"},
            {"none", {"no"}, "no switch"}};
}

Result<JotResult> toggle(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    const auto amps = said.one<Amperes>("AMPS");
    const auto& poles = said.name("POLES");
    const bool none = poles && *poles == "none";
    if (none && amps) {
        return refuse(ErrorCode::NotUnderstood, text("No switch has no amps."));
    }
    if (!none && !amps && !before.contact) {
        return refuse(ErrorCode::Missing, text("How many amps are printed on it? Write it like %1.",
                                               said.command.examples.front()));
    }
    LampSwitch made = before.contact.value_or(LampSwitch{});
    if (amps) made.limit = *amps;
    if (poles) made.poles = *poles == "two-pole" ? 2 : 1;
    JotResult result = jotted(
        said, none ? text("%1: no switch before it", before.name)
              : made.poles == 2
                  ? text("%1: behind a two-pole switch of %2", before.name, formatted(made.limit))
                  : text("%1: behind a switch of %2", before.name, formatted(made.limit)));
    result.subject = before.id;
    auto& contact = result.after.groups[*index].contact;
    contact = none ? std::nullopt : std::optional(made);
    return result;
}

Result<JotResult> smoothing(const ParsedLine& said) {
    const auto farads = said.one<Farads>("FARADS");
    const auto volts = said.one<Volts>("VOLTS");
    const auto charge = said.one<Ohms>("OHMS");
    const auto& kind = said.name("KIND");
    if (kind == "none") {
        if (farads || volts || charge) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or one of some farads: only one of them can be."));
        }
        JotResult result = jotted(said, text("No capacitor behind the lamps' bridge"));
        result.after.supply.smoothing.reset();
        return result;
    }
    if (!farads || !volts) {
        return refuse(ErrorCode::Missing,
                      text("A capacitor is known by its capacitance and its volts. Write it like "
                           "%1.",
                           said.command.examples.front()));
    }
    Smoothing made;
    if (kind) made.kind = *named<CapacitorKind>(*kind);
    made.capacitance = *farads;
    made.rated = *volts;
    made.charge = charge.value_or(Ohms{0});
    // What lies across the one before lies across this one.
    if (const auto& before = said.context.job.supply.smoothing) made.bleed = before->bleed;
    Text meaning = text("Behind the lamps' bridge: %1", shown(made));
    if (said.context.job.decoder) {
        meaning = text("%1; while there is a decoder its own counts", meaning);
    } else if (reverses(said.context.job)) {
        meaning = text("%1; there is no bridge yet", meaning);
    }
    JotResult result = jotted(said, std::move(meaning));
    result.after.supply.smoothing = made;
    return result;
}

/// "bleed 10k"
Result<JotResult> bleed(const ParsedLine& said) {
    const auto& there = said.context.job.supply.smoothing;
    if (!there) {
        return refuse(ErrorCode::Unknown, text("There is no capacitor behind the bridge that it "
                                               "could empty. Say that first: smoothing 330uF "
                                               "25V."));
    }
    const auto ohms = said.one<Ohms>("OHMS");
    const bool none = said.name("none").has_value();
    if (none == ohms.has_value()) {
        return refuse(ErrorCode::Missing,
                      text("How many ohms? Write it like %1.", said.command.examples.front()));
    }
    JotResult result =
        jotted(said, none ? text("Nothing across the capacitor behind the bridge")
                          : text("Across the capacitor behind the bridge: %1", formatted(*ohms)));
    result.after.supply.smoothing->bleed = ohms.value_or(Ohms{0});
    return result;
}

Result<JotResult> driver(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    const auto amps = said.one<Amperes>("AMPS");
    const auto dropout = said.one<Volts>("VOLTS");
    const bool none = said.name("none").has_value();
    if (none == amps.has_value() || (none && dropout)) {
        return refuse(ErrorCode::Missing, text("Which current does it keep? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (before.isBulbs()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is a filament bulb: it wants volts, not a driver.", before.name));
    }
    JotResult result = jotted(said, {});
    result.subject = before.id;
    LampGroup& group = result.after.groups[*index];
    if (none) {
        if (!before.driver()) {
            return refuse(ErrorCode::NotUnderstood, text("%1 has no driver.", before.name));
        }
        group.connection = OwnResistors{};
        for (LampRow& row : group.rows) row.resistor.reset();
        result.meaning = text("%1: no driver, its resistor to be chosen", before.name);
        return result;
    }
    ThroughDriver made{*amps, dropout.value_or(Volts{2})};
    group.connection = made;
    // What limited the current would only starve it.
    for (LampRow& row : group.rows) row.resistor = Ohms{0};
    group.wish.target = *amps / static_cast<double>(group.rows.size());
    group.usualTarget = false;
    result.meaning = text("%1: behind a driver of %2 that needs %3 itself, no resistors",
                          before.name, formatted(made.current), formatted(made.dropout));
    return result;
}

Result<JotResult> oneWay(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    const bool none = said.name("none").has_value();
    const bool reversing = before.output == supplyOutput && turnsRound(said.context.job);
    JotResult result = jotted(
        said, none ? text("%1: no diode before it", before.name)
              : reversing && said.context.job.feed == Feed::Ac
                  ? text("%1: a diode before it, which bears the other half of the AC", before.name)
              : reversing
                  ? text("%1: a diode before it, so it lights in one direction", before.name)
                  : text("%1: a diode before it; here the volts never turn round, so it changes "
                         "nothing",
                         before.name));
    result.subject = before.id;
    result.after.groups[*index].oneWay = !none;
    return result;
}

Result<JotResult> package(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& before = said.context.job.groups[address->group];
    const auto body = named<ResistorPackage>(*said.name("BODY"));
    JotResult result =
        jotted(said, body ? text("%1: a resistor of %2", rowOf(before, *address), shown(*body))
                          : text("%1: the resistor's body is not chosen", rowOf(before, *address)));
    result.subject = before.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        if (address->wholeCircuit || i == address->row) rows[i].package = body;
    }
    return result;
}

}  // namespace glimmet::core::lamps
