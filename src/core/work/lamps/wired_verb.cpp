#include "core/work/lamps/wired_verb.h"

#include "core/analysis/lamp_groups.h"
#include "core/led/wired_lamp.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/lamp_verbs.h"
#include "core/work/lamps/lamp_words.h"
#include "core/work/lamps/new_lamp.h"
#include "core/work/lamps/resistor_verbs.h"

#include <algorithm>

namespace glimmet::core::lamps {

using namespace jot;
using Kind = Argument::Kind;

namespace {

/// Less is what its LEDs have themselves.
bool hasResistor(const WiredLamp& lamp) { return lamp.resistor >= Ohms{10}; }

/// "red, amber or yellow".
std::string oneOf(const std::vector<LedFamily>& families) {
    std::string words;
    for (std::size_t i = 0; i < families.size(); ++i) {
        words += (i == 0 ? "" : i + 1 == families.size() ? " or " : ", ");
        words += name(families[i]);
    }
    return words;
}

/// Nothing is there yet: the lamp is put in, then what was read.
Result<JotResult> putInAndRead(const ParsedLine& said, const std::string& where) {
    const Context& now = said.context;
    static const WorkshopRecord usual;
    const auto put =
        applyLine("lamp " + where + " " + said.name("COLOUR").value_or("white"), now.job,
                  now.catalogue, now.today, now.workshop ? *now.workshop : usual);
    if (!put) return tl::unexpected(put.error());
    const Context there{put->after, now.catalogue, now.today, now.workshop, now.shelf};
    auto made = wired({said.command, there, said.places, said.rest});
    if (made) made->meaning = text("%1; %2", put->meaning, std::move(made->meaning));
    return made;
}

const ForwardPoint& mostOf(const std::vector<ForwardPoint>& readings) {
    return *std::max_element(readings.begin(), readings.end(),
                             [](const auto& a, const auto& b) { return a.current < b.current; });
}

/// What the readings tell is no LED.
std::optional<Error> noLed(const WiredLamp& lamp, const LampGroup& group,
                           const ForwardPoint& most) {
    if (lamp.kind == WiredLamp::Kind::Filament) {
        return refuse(ErrorCode::NotUnderstood,
                      text("That is a filament bulb: its current rises with the power %1 of its "
                           "volts, where an LED's rises faster. Enter it with its rated volts: "
                           "bulb %2 %3.",
                           formatted(lamp.exponent, Dimension::Ratio, 2), group.name,
                           shown(FilamentRating{most.voltage, most.current})))
            .value();
    }
    if (lamp.kind == WiredLamp::Kind::Resistor) {
        return refuse(
                   ErrorCode::NotUnderstood,
                   text("That is a resistor of %1 and no lamp: its LED is bridged, or the probes "
                        "sat before it.",
                        formatted(lamp.resistor, 3)))
            .value();
    }
    return {};
}

/// The part that behaves so: its LEDs and what is behind them. `part`: its colour.
LampPart partOf(LampPart part, const WiredLamp& lamp, const ForwardPoint& most) {
    const FamilyValues values = familyValues(part.family);
    const double n = lamp.inSeries;
    const std::string colour(name(part.family));
    const std::string leds = lamp.inSeries == 1
                                 ? colour + " LED"
                                 : std::to_string(lamp.inSeries) + " " + colour + " LEDs in series";
    part.id.clear();
    part.name = hasResistor(lamp) ? leds + " behind " + formatted(lamp.resistor, 2) : leds;
    part.forward = most;
    part.emission = n * values.emission;
    part.series = values.series * n + lamp.resistor;
    return part;
}

}  // namespace

Result<JotResult> wired(const ParsedLine& said) {
    const auto volts = said.all<Volts>("VOLTS");
    const auto amps = said.all<Amperes>("AMPS");
    if (volts.size() != amps.size() || volts.empty()) {
        return refuse(ErrorCode::Missing,
                      text("To each voltage belongs the current at it. Write it like %1.",
                           said.command.examples.front()));
    }
    const auto& where = said.name("LAMP");
    if (where && !groupNamed(said.context.job, *where)) return putInAndRead(said, *where);
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
    const ForwardPoint& most = mostOf(readings);
    if (auto other = noLed(*lamp, before, most)) return tl::unexpected(std::move(*other));
    // What was there says its colour, where the readings leave it open.
    const bool open =
        std::find(lamp->families.begin(), lamp->families.end(), was.family) != lamp->families.end();
    if (!family) {
        part = open ? was : LampPart();
        part.family = open ? was.family : lamp->families.front();
    } else if (was.blink && was.family == *family) {
        part.blink = was.blink;
        part.tint = was.tint;
        part.family = was.family;
    }
    part = partOf(std::move(part), *lamp, most);
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
    if (hasResistor(*lamp) && !row.resistor && worksWithout(job, houseFor(said, job), part)) {
        row.resistor = Ohms{0};
        result.meaning = text("%1; it needs no other resistor", std::move(result.meaning));
    }
    row.lamps.front().part = std::move(part);
    row.lamps.front().measured = true;
    return result;
}

}  // namespace glimmet::core::lamps
