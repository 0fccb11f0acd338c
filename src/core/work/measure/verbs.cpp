// Jots of the motor, its pickups and what feeds them.
#include "core/analysis/motor_evidence.h"
#include "core/analysis/wiring/terminals.h"
#include "core/power/battery.h"
#include "core/work/in_order.h"
#include "core/work/jotted.h"
#include "core/work/measure/hollow_verbs.h"
#include "core/work/measure/measure.h"
#include "core/work/measure/wire_map.h"
#include "core/work/units.h"

#include <array>

namespace glimmet::core::measure {
namespace {

using namespace jot;
using Kind = Argument::Kind;

// What the motors, meters and layouts of all scales show; beyond it a unit was mistyped.
constexpr Ohms leastWinding{0.3}, mostWinding{2000};
constexpr Argument amps{.what = "AMPS",
                        .needed = true,
                        .missing = "A reading needs its current.",
                        .dimension = Dimension::Current,
                        .least = 0.005,
                        .most = 20};
constexpr Argument volts{
    .what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.5, .most = 40};
constexpr Argument stallVolts{
    .what = "VOLTS",
    .needed = true,
    .missing = "A stall test needs the volts at that moment too, because they sag.",
    .dimension = Dimension::Voltage,
    .least = 0.5,
    .most = 40};

std::vector<Named> unknownOnly(const Context&) { return {{"unknown", {}, "not measured"}}; }
constexpr Argument unknown{.what = "unknown", .kind = Kind::Name, .names = unknownOnly};

std::vector<Named> motorNames(const Context& context) {
    std::vector<Named> all;
    const std::vector<MotorAt> motors = motorsOf(context.job);
    for (std::size_t i = 0; i < motors.size(); ++i) {
        const std::string number = "motor " + std::to_string(i + 1);
        const std::string called = motorCalled(context.job, *motors[i].motor);
        Named named{called.empty() ? number : called,
                    {motors[i].motor->id, std::to_string(i + 1)},  // “motor” is dropped as noise
                    "a motor"};
        if (named.name != number) named.also.push_back(number);
        all.push_back(std::move(named));
    }
    return all;
}
/// By their numbers alone, for "motor 2 can"; the only one needs none.
std::vector<Named> motorNumbers(const Context& context) {
    std::vector<Named> all = motorNames(context);
    if (all.size() < 2) all.clear();
    return all;
}
/// As "motor 2", "front motor": a bare number would be a reading.
std::vector<Named> motorPhrases(const Context& context) {
    std::vector<Named> all = motorNumbers(context);
    for (std::size_t i = 0; i < all.size(); ++i) {
        const std::string number = std::to_string(i + 1);
        std::erase(all[i].also, number);
        all[i].also.push_back("motor " + number);
        if (all.size() == 2) all[i].also.push_back(i == 0 ? "front motor" : "rear motor");
    }
    return all;
}
constexpr Argument ofMotor{.what = "MOTOR",
                           .kind = Kind::Name,
                           .after = "of",
                           .names = motorNames,
                           .unknown = "No motor goes by “%1”. There are: %2.",
                           .ofSeveral = true};
/// "stall 1.1A 12V in 2", "in rear car"
constexpr Argument inMotor{.what = "IN",
                           .kind = Kind::Name,
                           .after = "in",
                           .names = motorNames,
                           .unknown = "No motor goes by “%1”. There are: %2.",
                           .ofSeveral = true};

Motor& motorIn(Job& job, std::string_view id) {
    for (Unit& unit : job.units) {
        for (Motor& motor : unit.motors) {
            if (motor.id == id) return motor;
        }
    }
    return job.units.front().motors.front();
}

/// The motor that a line is about: the only one, or the one it names.
/// Errors: Unknown without any, Missing where it could be several.
Result<const Motor*> motorOf(const ParsedLine& said) {
    const std::vector<MotorAt> motors = motorsOf(said.context.job);
    if (motors.empty()) {
        return refuse(ErrorCode::Unknown, text("%1 has no motor to read.", said.context.job.name));
    }
    if (motors.size() == 1) return motors.front().motor;
    const std::vector<Named> names = motorNames(said.context);
    std::string all;
    for (std::size_t i = 0; i < names.size(); ++i) {
        for (const char* place : {"MOTOR", "IN", "WHICH"}) {
            if (said.name(place) == names[i].name) return motors[i].motor;
        }
        all += (all.empty() ? "" : ", ") + names[i].name;
    }
    return refuse(ErrorCode::Missing, text("Which motor? There are: %1. Write it behind: of %2.",
                                           all, names.back().name));
}

/// "rear car: " before what is said of one of several motors.
Text ofMotorSaid(const Job& job, const Motor& motor, Text what) {
    const std::string called = motorCalled(job, motor);
    return called.empty() ? what : text("%1, %2", std::move(what), called);
}

Text readingAs(MotorCondition condition, const std::string& what) {
    switch (condition) {
        case MotorCondition::Stalled:
            return text("Stall test: %1", what);
        case MotorCondition::Slipping:
            return text("Wheels slipping: %1", what);
        case MotorCondition::Hauling:
            return text("Hauling: %1", what);
        case MotorCondition::Light:
            break;
    }
    return text("Running light: %1", what);
}

/// "at half throttle", "at 40%"
std::optional<double> throttleSaid(const ParsedLine& said) {
    const auto& share = said.at("PERCENT").quantities;
    if (!share.empty()) return share.front();
    return said.name("THROTTLE") ? std::optional(0.5) : std::nullopt;
}
Text withThrottle(Text what, const TakenReading& reading) {
    if (!reading.throttle) return what;
    return text("%1, throttle at %2", std::move(what), percent(*reading.throttle));
}

template <MotorCondition condition>
Result<JotResult> reading(const ParsedLine& said) {
    const auto motor = motorOf(said);
    if (!motor) return tl::unexpected(motor.error());
    TakenReading made;
    made.condition = condition;
    made.on = said.context.today;
    made.amps = *said.one<Amperes>("AMPS");
    made.volts = said.one<Volts>("VOLTS");
    made.scatter = said.one<Amperes>("SCATTER");
    if (condition == MotorCondition::Stalled) {
        const Ohms path = *made.volts / made.amps;
        if (path < leastWinding || path > mostWinding) {
            return refuse(ErrorCode::OutOfRange,
                          text("%1 at %2 would be a motor of %3; between %4 and %5 is usual. Are "
                               "the two values swapped?",
                               formatted(made.amps), formatted(*made.volts), formatted(path, 3),
                               formatted(leastWinding), formatted(mostWinding)));
        }
    }
    if (condition != MotorCondition::Stalled) made.throttle = throttleSaid(said);
    const std::string what = formatted(made.amps) +
                             (made.volts ? " at " + formatted(*made.volts) : "") +
                             (made.scatter ? " ± " + formatted(*made.scatter, 2) : "");
    JotResult result = jotted(said, ofMotorSaid(said.context.job, **motor,
                                                withThrottle(readingAs(condition, what), made)));
    enterByDay(motorIn(result.after, (*motor)->id).readings, std::move(made));
    return result;
}

/// "over 1A at half throttle, I stopped there": a bound is evidence too.
Result<JotResult> over(const ParsedLine& said) {
    const auto motor = motorOf(said);
    if (!motor) return tl::unexpected(motor.error());
    TakenReading made;
    made.condition = MotorCondition::Light;
    made.on = said.context.today;
    made.amps = *said.one<Amperes>("AMPS");
    made.volts = said.one<Volts>("VOLTS");
    made.atLeast = true;
    const std::string what =
        formatted(made.amps) + (made.volts ? " at " + formatted(*made.volts) : "");
    made.throttle = throttleSaid(said);
    JotResult result = jotted(
        said, ofMotorSaid(said.context.job, **motor,
                          withThrottle(text("Running, broken off: more than %1", what), made)));
    enterByDay(motorIn(result.after, (*motor)->id).readings, std::move(made));
    return result;
}

Result<JotResult> ohms(const ParsedLine& said) {
    const auto motor = motorOf(said);
    if (!motor) return tl::unexpected(motor.error());
    JotResult result = jotted(said, {});
    std::string all;
    for (const Ohms value : said.all<Ohms>("OHMS")) {
        enterByDay(motorIn(result.after, (*motor)->id).windings, {value, said.context.today});
        all += (all.empty() ? "" : ", ") + formatted(value);
    }
    result.meaning = ofMotorSaid(said.context.job, **motor, text("Winding: %1", all));
    return result;
}

// --- supply ----------------------------------------------------------------------------------

Result<JotResult> supplyVolts(const ParsedLine& said, std::optional<Measured<Volts>> Supply::*field,
                              Text name) {
    const auto value = said.one<Volts>("VOLTS");
    const bool forgotten = said.name("unknown").has_value();
    if (value && forgotten) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 and unknown: only one of them can be.", formatted(*value)));
    }
    if (!value && !forgotten) {
        return refuse(ErrorCode::Missing,
                      text("How many volts? Write it like %1.", said.command.examples.front()));
    }
    JotResult result = jotted(
        said, value ? text("%1: %2", name, formatted(*value)) : text("%1: not measured", name));
    result.after.supply.*field = std::nullopt;
    if (value) result.after.supply.*field = Measured<Volts>{*value, said.context.today};
    return result;
}
Result<JotResult> track(const ParsedLine& said) {
    return supplyVolts(said, &Supply::volts, text("Track or supply volts"));
}
/// Its drop as it was read; or which one is put before lamps that hang straight on the supply.
Result<JotResult> rectifier(const ParsedLine& said) {
    const auto& kind = said.name("KIND");
    if (!kind) return supplyVolts(said, &Supply::rectifier, text("Rectifier drop"));
    if (said.one<Volts>("VOLTS") || said.name("unknown")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Its kind, or the drop that was read: one line for each."));
    }
    if (*kind == "none") {
        JotResult result = jotted(said, text("No rectifier before the lamps"));
        result.after.supply.lampBridge.reset();
        result.after.supply.rectifier.reset();
        result.after.supply.smoothing.reset();
        if (said.context.job.supply.smoothing) {
            result.meaning = text("%1, nor a capacitor behind it", result.meaning);
        }
        return result;
    }
    JotResult result = jotted(
        said,
        said.context.job.decoder
            ? text("A bridge rectifier of %1 diodes before the lamps; while there is a decoder "
                   "its own counts",
                   *kind)
            : text("A bridge rectifier of %1 diodes before the lamps", *kind));
    result.after.supply.lampBridge = named<LampBridge>(*kind);
    result.after.supply.rectifier.reset();  // read on another one
    return result;
}
Result<JotResult> bridge(const ParsedLine& said) {
    if (said.name("KIND")) return rectifier(said);  // a motor's is inside its decoder
    return supplyVolts(said, &Supply::bridge, text("Motor bridge drop"));
}
Result<JotResult> switchDrop(const ParsedLine& said) {
    return supplyVolts(said, &Supply::outputSwitch, text("Output switch drop"));
}

std::vector<Named> feedNames(const Context&) {
    return {
        {"dcc", {"two-rail dcc", "digital"}, "digital track of two rails"},
        {"three-rail",
         {"three rail", "centre rail", "three-rail digital"},
         "digital track with a middle conductor"},
        {"dc", {"plain dc", "analogue"}, "plain direct current"},
        {"battery", {"cell", "cells", "radio"}, "carried along, commanded by radio"},
        {"fixed dc", {"fixed"}, "a supply that never reverses"},
        {"reversing dc", {"reversing", "point motor"}, "turned round by hand or by a point motor"},
        {"ac", {"alternating"}, "alternating current, as a meter reads it"},
        {"usb", {"usb charger"}, "5 V of a charger, 500 mA unless said"}};
}
/// Plain direct current on a building never reverses: nobody turns a direction there.
Feed feedNamed(const std::string& called, const Job& job) {
    if (called == "dcc") return Feed::TwoRailDcc;
    if (called == "three-rail") return Feed::ThreeRailDigital;
    if (called == "battery") return Feed::BatteryRadio;
    if (called == "ac") return Feed::Ac;
    if (called == "usb") return Feed::FixedDc;
    if (called == "reversing dc") return Feed::PlainDc;
    return called == "dc" && !isStructure(job) ? Feed::PlainDc : Feed::FixedDc;
}
Text feedWords(Feed feed, bool structure) {
    switch (feed) {
        case Feed::TwoRailDcc:
            return text("dcc");
        case Feed::ThreeRailDigital:
            return text("three-rail digital");
        case Feed::PlainDc:
            return structure ? text("reversing dc") : text("dc");
        case Feed::BatteryRadio:
            return text("battery");
        case Feed::Ac:
            return text("ac");
        case Feed::FixedDc:
            break;
    }
    return text("fixed dc");
}
Result<JotResult> supply(const ParsedLine& said) {
    const Job& before = said.context.job;
    const Feed feed = feedNamed(*said.name("KIND"), before);
    if (feed == Feed::Ac && !motorsOf(before).empty()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("A motor is not worked out on AC. Say what the model will run on: track "
                           "three-rail."));
    }
    const bool usb = *said.name("KIND") == "usb";
    if (said.name("HERTZ") && feed != Feed::Ac) {
        return refuse(ErrorCode::NotUnderstood, text("Only AC has a rhythm: supply ac 16V 60Hz."));
    }
    JotResult result = jotted(said, text("Supply: %1", feedWords(feed, isStructure(before))));
    result.after.feed = feed;
    // What it gives goes with the supply it was read on.
    if (feed != before.feed) result.after.supply.limit.reset();
    if (const auto value = said.one<Volts>("VOLTS")) {
        result.after.supply.volts = Measured<Volts>{*value, said.context.today};
        result.meaning =
            text("Supply: %1, %2", feedWords(feed, isStructure(before)), formatted(*value));
    } else if (feed != before.feed && before.supply.volts) {
        // Volts read on one kind of supply say nothing about another.
        result.after.supply.volts.reset();
        result.meaning = text(
            "Supply: %1; the %2 read on %3 no longer count", feedWords(feed, isStructure(before)),
            formatted(before.supply.volts->value), feedWords(before.feed, isStructure(before)));
    }
    if (usb && !said.one<Volts>("VOLTS")) {
        result.after.supply.volts = Measured<Volts>{Volts{5}, {}};
        result.meaning = text("Supply: USB, 5 V");
    }
    const auto limit = said.one<Amperes>("LIMIT");
    if (limit || usb) {
        result.after.supply.limit = limit.value_or(Amperes{0.5});
        result.meaning =
            text("%1, gives up to %2", result.meaning, formatted(*result.after.supply.limit));
    }
    if (const auto& hertz = said.name("HERTZ")) {
        result.after.own.mains = *named<Mains>(*hertz);
        result.meaning = text("%1, %2", result.meaning, *hertz);
    }
    return result;
}

std::vector<Named> hertzNames(const Context&) {
    return {{"50Hz", {"50 Hz", "50hertz"}, "most of the world"},
            {"60Hz", {"60 Hz", "60hertz"}, "the Americas"}};
}

/// "pulse 24V": the reversing pulse of an analogue transformer that it meets.
Result<JotResult> pulse(const ParsedLine& said) {
    const auto height = said.one<Volts>("VOLTS");
    const bool none = said.name("none").has_value();
    if (height.has_value() == none) {
        return refuse(ErrorCode::Missing, text("How high is it, or none? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (said.context.job.feed != Feed::ThreeRailDigital) {
        return refuse(ErrorCode::NotUnderstood,
                      text("A reversing pulse is of analogue three-rail: supply three-rail."));
    }
    JotResult result =
        jotted(said, none ? text("It never meets a reversing pulse")
                          : text("It may meet a reversing pulse of %1 AC", formatted(*height)));
    result.after.supply.pulse = height.value_or(Volts{0});
    return result;
}

/// "pack on terminals": where the battery is joined to its decoder.
std::vector<Named> packPlaces(const Context&) {
    return {{"terminals",
             {"battery terminals", "the terminals", "its terminals"},
             "past the rectifier"},
            {"rails", {"red and black", "the rails", "rail leads"}, "through the rectifier"}};
}

/// "polarity unknown", "polarity marked": which lead of a fixed supply is plus.
std::vector<Named> polarities(const Context&) {
    return {{"unknown", {"not known"}, "nobody has metered it"},
            {"marked", {"known", "found", "metered", "labelled", "proved"}, "metered, and marked"}};
}
Result<JotResult> polarity(const ParsedLine& said) {
    const bool notKnown = said.name("KNOWN") == "unknown";
    if (said.context.job.feed != Feed::FixedDc) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Polarity is asked of a DC supply that never reverses: supply fixed dc "
                           "12V."));
    }
    JotResult result = jotted(said, notKnown ? text("Which lead of the supply is plus: not known")
                                             : text("Plus of the supply is metered and marked"));
    result.after.supply.polarityUnknown = notKnown;
    return result;
}

std::vector<Named> chemistries(const Context&) {
    return {{"li-ion", {"liion", "li ion", "lithium", "lipo", "li-po"}, "3.7 V a cell"},
            {"nimh", {"ni-mh"}, "1.2 V a cell"},
            {"alkaline", {}, "1.5 V a cell"},
            {"AA", {"mignon", "penlight"}, "alkaline, 2.5 Ah"},
            {"AAA", {"micro"}, "alkaline, 1.2 Ah"},
            {"block",
             {"9V", "9 V", "9V block", "9 V block", "pp3"},
             "of 9 V: six small alkaline cells"},
            {"coin", {"coin cell", "button"}, "a lithium cell of 3 V and 20 mm"}};
}
std::vector<Named> cellCounts(const Context&) {
    std::vector<Named> all;
    for (int count = 1; count <= 12; ++count) {
        const std::string number = std::to_string(count);
        all.push_back({number, {number + "s"}, "cells in series"});
    }
    return all;
}
/// "battery 3 li-ion 2.6Ah"
Result<JotResult> battery(const ParsedLine& said) {
    if (const auto& on = said.name("ON")) {
        if (said.name("KIND") || said.name("CELLS") || said.one<AmpereHours>("CAPACITY")) {
            return refuse(ErrorCode::NotUnderstood,
                          text("What it is, or where it is joined: one line for each."));
        }
        JotResult joined =
            jotted(said, *on == "terminals" ? text("The battery is on the battery terminals")
                                            : text("The battery is on red and black"));
        joined.after.supply.packOn = *named<PackOn>(*on);
        return joined;
    }
    const auto read = said.one<Volts>("VOLTS");
    if (read && (said.name("KIND") || said.name("CELLS") || said.one<AmpereHours>("CAPACITY"))) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Say the kind of battery in one line and its voltage in another."));
    }
    if (read) {
        JotResult result = jotted(said, text("Supply: a battery, %1", formatted(*read)));
        if (said.context.job.feed != Feed::BatteryRadio) result.after.supply.limit.reset();
        result.after.feed = Feed::BatteryRadio;
        result.after.supply.volts = Measured<Volts>{*read, said.context.today};
        return result;
    }
    if (!said.name("KIND")) {
        return refuse(ErrorCode::Missing,
                      text("Which cells: li-ion, nimh, alkaline, AA, AAA, or a 9V block? Write it "
                           "like %1.",
                           said.command.examples.front()));
    }
    const auto capacity = said.one<AmpereHours>("CAPACITY");
    const auto& kind = said.name("KIND");
    const auto& cells = said.name("CELLS");
    BatteryPack pack = nineVoltBlock();
    if (*kind == "AA" || *kind == "AAA") {
        pack = {Chemistry::Alkaline, cells ? std::stoi(*cells) : 1,
                capacity.value_or(AmpereHours{*kind == "AA" ? 2.5 : 1.2})};
    } else if (*kind == "coin") {
        pack = coinCell();
        if (cells) pack.cells = std::stoi(*cells);
        if (capacity) pack.capacity = *capacity;
    } else if (*kind != "block") {
        if (!capacity || !cells) {
            return refuse(ErrorCode::Missing,
                          text("A battery needs its cells and what is printed on it: %1.",
                               said.command.examples.front()));
        }
        pack = {*named<Chemistry>(*kind), std::stoi(*cells), *capacity};
    } else if (cells) {
        return refuse(ErrorCode::NotUnderstood, text("A 9 V block has no number of cells."));
    } else if (capacity) {
        pack.capacity = *capacity;
    }
    const Job& before = said.context.job;
    JotResult result =
        jotted(said, text("Battery: %1, %2, %3 when charged",
                          pack.cells == 1 ? text("one %1 cell", std::string(name(pack.chemistry)))
                                          : text("%1 cells %2", std::to_string(pack.cells),
                                                 std::string(name(pack.chemistry))),
                          formatted(pack.capacity), formatted(voltsOf(pack).full, 3)));
    if (before.feed != Feed::BatteryRadio) {
        result.after.feed = Feed::BatteryRadio;
        result.meaning =
            text("Fed by a battery, not by %1. %2", feedWords(before.feed, isStructure(before)),
                 std::move(result.meaning));
        result.after.supply.volts.reset();  // read on another kind of supply
    }
    result.after.supply.pack = pack;
    return result;
}

// --- motor -----------------------------------------------------------------------

std::vector<Named> motorKinds(const Context&) {
    return {{"can", {"can motor"}, "a can motor"},
            {"coreless", {"coreless motor"}, "without an iron core"},
            {"open-frame",
             {"open frame", "open-frame motor", "open frame motor"},
             "magnet and armature in the open"},
            {"none", {"no", "no motor"}, "a model without one"}};
}
std::vector<Named> frameKinds(const Context&) {
    return {{"insulated", {}, "both brushes clear of the frame"},
            {"frame-return", {"frame return"}, "one brush on the frame"},
            {"split-frame", {"split frame"}, "each half of the frame a pole"}};
}
std::vector<Named> isolation(const Context&) {
    return {{"isolated",
             {"free of the frame", "clear of the frame", "free of frame", "off the frame",
              "insulated from the frame", "isolated from the frame"},
             "both brushes read open to the frame"},
            {"not isolated",
             {"touches the frame", "touches frame", "on the frame", "on frame", "touching frame",
              "touching the frame"},
             "a brush touches the frame"}};
}
/// "motor isolated", "motor 2 not isolated"
Result<JotResult> isolated(const ParsedLine& said) {
    const auto motor = motorOf(said);
    if (!motor) return tl::unexpected(motor.error());
    const bool free = said.name("ISOLATED") == "isolated";
    JotResult result = jotted(said, ofMotorSaid(said.context.job, **motor,
                                                free ? text("Motor: both brushes free of the frame")
                                                     : text("Motor: a brush touches the frame")));
    motorIn(result.after, (*motor)->id).isolated = free;
    return result;
}
/// "motors isolated", "both motors can": of all that are in a unit.
Result<JotResult> allMotors(const ParsedLine& said, std::size_t unit) {
    const auto& kind = said.name("KIND");
    const auto& isolated = said.name("ISOLATED");
    if (kind.has_value() == isolated.has_value()) {
        return refuse(ErrorCode::Missing,
                      text("How many motors? Write it like %1.", said.command.examples.front()));
    }
    if (kind == "none") {
        return refuse(ErrorCode::NotUnderstood,
                      text("For a model without a motor write motor none."));
    }
    const bool free = isolated == "isolated";
    JotResult result = jotted(said, kind   ? text("All motors: %1", *kind)
                                    : free ? text("All motors: brushes free of the frame")
                                           : text("All motors: a brush touches the frame"));
    std::vector<Motor>& all = result.after.units[unit].motors;
    if (all.empty()) {
        return refuse(ErrorCode::Unknown, text("%1 has no motor.", said.context.job.name));
    }
    for (Motor& each : all) {
        if (kind) each.kind = *named<MotorKind>(*kind);
        if (isolated) each.isolated = free;
    }
    return result;
}

/// "motors 2", "motors 2 can": so many in its unit.
Result<JotResult> motors(const ParsedLine& said) {
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    if (!said.name("COUNT")) return allMotors(said, *unit);
    const std::string& number = *said.name("COUNT");
    if (said.name("ISOLATED")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("How many there are, and whether they are free of the frame: one line "
                           "for each."));
    }
    if (said.name("KIND") == "none") {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 motors, or none: only one of them can be.", number));
    }
    const auto count = std::stoul(number);
    JotResult result = jotted(said, count == 1 ? text("One motor") : text("%1 motors", number));
    Unit& changed = result.after.units[*unit];
    for (std::size_t i = count; i < changed.motors.size(); ++i) {
        const Motor& gone = changed.motors[i];
        if (gone.readings.empty() && gone.windings.empty()) continue;
        return refuse(ErrorCode::NotUnderstood,
                      text("Motor %1 has readings. Take them back first: remove light of %1.",
                           std::to_string(i + 1)));
    }
    while (changed.motors.size() > count) changed.motors.pop_back();
    while (changed.motors.size() < count) {
        Motor more;
        more.id = newId(result.after, 'M');
        if (!changed.motors.empty()) more.kind = changed.motors.front().kind;
        changed.motors.push_back(std::move(more));
    }
    if (const auto& kind = said.name("KIND")) {
        for (Motor& motor : changed.motors) motor.kind = *named<MotorKind>(*kind);
        result.meaning = text("%1: %2", result.meaning, *kind);
    }
    if (result.after.units.size() > 1)
        result.meaning = text("%1, in %2", result.meaning, unitCalled(result.after, *unit));
    return result;
}
Result<JotResult> motor(const ParsedLine& said) {
    const auto& kind = said.name("KIND");
    const auto& frame = said.name("FRAME");
    if (!kind && !frame && !said.name("ISOLATED")) {
        return refuse(ErrorCode::Missing, text("Say which: %1.", said.command.examples.front()));
    }
    if (said.name("ISOLATED") && !kind && !frame) return isolated(said);
    if (said.name("ISOLATED")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Its kind, and whether it is free of the frame: one line for each."));
    }
    if (said.name("MOTOR") || said.name("WHICH")) {
        if (!kind || frame || kind == "none")
            return refuse(ErrorCode::NotUnderstood,
                          text("Of one motor say its kind: motor 2 can."));
        const auto of = motorOf(said);
        if (!of) return tl::unexpected(of.error());
        JotResult result =
            jotted(said, ofMotorSaid(said.context.job, **of, text("Motor: %1", *kind)));
        motorIn(result.after, (*of)->id).kind = *named<MotorKind>(*kind);
        return result;
    }
    const auto unit = unitOf(said);
    if (!unit && kind != "none") return tl::unexpected(unit.error());
    if (kind == "none") {
        if (frame) {
            return refuse(ErrorCode::NotUnderstood,
                          text("Without a motor there is no frame to wire: “%1”.", *frame));
        }
        JotResult result = jotted(said, text("Motor: none"));
        for (std::size_t i = 0; i < result.after.units.size(); ++i) {
            if (!said.name("UNIT") || i == *unit) result.after.units[i].motors.clear();
        }
        return result;
    }
    JotResult result = jotted(said, {});
    Unit& changed = result.after.units[*unit];
    if (changed.motors.empty()) {
        changed.motors.emplace_back();
        changed.motors.back().id = newId(result.after, 'M');
    }
    for (Motor& motor : changed.motors) {
        if (kind) motor.kind = *named<MotorKind>(*kind);
    }
    if (frame) changed.frame = *named<FrameKind>(*frame);
    // Only what was said: of the frame nobody may have looked.
    result.meaning = kind && frame ? text("Motor: %1, %2", *kind, *frame)
                     : kind        ? text("Motor: %1", *kind)
                                   : text("Frame: %1", *frame);
    if (result.after.units.size() > 1) {
        result.meaning = text("%1, in %2", result.meaning, unitCalled(result.after, *unit));
    }
    return result;
}

// --- the factory's board ----------------------------------------------------------------------

std::vector<Named> boardWords(const Context&) {
    return {{"none", {"no board"}, "only wires"},
            {"plugs in", {"plug in", "plugs"}, "the decoder plugs into it"},
            {"replaced", {"goes out", "out"}, "it is taken out"},
            {"kept", {"stays"}, "it stays, and is wired to"},
            {"common plus", {"common blue"}, "its lamps share the blue contact"},
            {"common minus", {}, "its lamps share the minus"},
            {"common regulated", {}, "its lamps share regulated volts"},
            {"common track", {"common rail"}, "its lamps share a rail"},
            {"plug bridging",
             {"bridging plug", "factory plug", "dc plug", "blanking plug", "dummy plug", "bridged"},
             "the factory's plug was in its socket when the lamps lit"},
            {"plug decoder", {"decoder plug"}, "a decoder was in its socket when the lamps lit"},
            {"plug none",
             {"no plug", "socket empty", "empty socket", "not bridged"},
             "the lamps lit with nothing in a socket"},
            {"open", {"proved open", "cut"}, "cut free of the rails, and proved"},
            {"resistors", {"carries resistors"}, "it carries them for its lamps"},
            {"no resistors", {"carries none"}, "it carries none"}};
}
Result<JotResult> board(const ParsedLine& said) {
    const std::string& word = *said.name("WHAT");
    JotResult result = jotted(said, text("Factory board: %1", word));
    FactoryBoard& made = result.after.board;
    if (word.starts_with("common ")) {
        made.common = *named<LampCommon>(word.substr(7));
        made.open = false;  // what was proved of another path says nothing of this one
    } else if (word.starts_with("plug ")) {
        made.plug = *named<SocketPlug>(word.substr(5));
        result.meaning = text("In the socket when the lamps lit: %1",
                              made.plug == SocketPlug::Bridging  ? text("the factory's plug")
                              : made.plug == SocketPlug::Decoder ? text("a decoder")
                                                                 : text("nothing"));
    } else if (word == "open") {
        made.open = true;
    } else if (word == "resistors" || word == "no resistors") {
        made.resistors = word == "resistors";
    } else {
        made.fate = word == "plugs in" ? BoardFate::PlugsIn : *named<BoardFate>(word);
    }
    return result;
}

// --- pickups ---------------------------------------------------------------------------------

/// Counted from the front, through all units.
std::vector<Named> axleNumbers(const Context& context) {
    std::vector<Named> all;
    for (const Unit& unit : context.job.units) {
        for (std::size_t i = 0; i < unit.body.axles.size(); ++i) {
            const std::string number = std::to_string(all.size() + 1);
            all.push_back({number, {"axle " + number}, "from the front"});
        }
    }
    return all;
}
std::vector<Named> collectingSides(const Context&) {
    return {{"both", {"left and right", "both sides"}, "both wheels collect"},
            {"left", {"left only"}, "only the left wheel collects"},
            {"right", {"right only"}, "only the right wheel collects"},
            {"none",
             {"no", "nothing", "neither", "insulated", "dead", "not"},
             "rubber tyres, or nothing that touches"}};
}
Result<JotResult> axle(const ParsedLine& said) {
    const std::string& number = *said.name("NUMBER");
    const std::string& side = *said.name("SIDE");
    JotResult result = jotted(said, side == "both" ? text("Axle %1 collects on both sides", number)
                                    : side == "none" ? text("Axle %1 collects nothing", number)
                                    : side == "left" ? text("Axle %1 collects left only", number)
                                                     : text("Axle %1 collects right only", number));
    std::vector<Axle*> axles;
    for (Unit& unit : result.after.units) {
        for (Axle& each : unit.body.axles) axles.push_back(&each);
    }
    Axle& changed = *axles[std::stoul(number) - 1];
    changed.collectsLeft = side == "both" || side == "left";
    changed.collectsRight = side == "both" || side == "right";
    changed.looked = true;
    return result;
}

/// "L2": the left wheel of the second axle.
std::vector<Named> wheelNames(const Context& context) {
    std::vector<Named> all;
    for (const Named& axle : axleNumbers(context)) {
        const auto wheel = [&](const char* letter, const std::string& side) {
            const std::string number = axle.name;
            all.push_back({letter + number,
                           {side + " " + number, "axle " + number + " " + side,
                            side + " axle " + number, side + " wheel of axle " + number},
                           side + " wheel, from the front"});
        };
        wheel("L", "left");
        wheel("R", "right");
        all.push_back({"axle " + axle.name, {}, "both its wheels", true});
    }
    if (all.empty()) return all;
    all.push_back({"all", {"every wheel", "all wheels", "every axle"}, "at once"});
    // Half of a unit's wheels turn in its front truck.
    if (all.size() >= 3 * 4) {
        all.push_back({"front truck", {"front bogie", "the front truck"}, "its axles"});
        all.push_back({"rear truck", {"rear bogie", "the rear truck"}, "its axles"});
    }
    for (const char* side : {"left", "right"}) {
        for (const char* end : {"front", "rear"}) {
            const std::string one = std::string(side) + " " + end;
            all.push_back({one,
                           {std::string(end) + " " + side, std::string(end) + " " + side + " wheel",
                            one + " wheel"},
                           "the wheel at that end"});
        }
    }
    return all;
}
/// The axles, from 0 through all units, of a name that stands for several; with their side.
struct Wheels {
    std::size_t first = 0, last = 0;
    bool left = true, right = true;
};
Wheels wheelsNamed(const std::string& called, std::size_t axles) {
    const std::size_t half = axles / 2;
    if (called == "all") return {0, axles - 1};
    if (called == "front truck") return {0, half - 1};
    if (called == "rear truck") return {axles - half, axles - 1};
    if (called.starts_with("axle ")) {
        const std::size_t at = std::stoul(called.substr(5)) - 1;
        return {at, at};
    }
    if (const auto blank = called.find(' '); blank != std::string::npos) {
        const bool left = called.starts_with("left");
        const std::size_t at = called.ends_with("front") ? 0 : axles - 1;
        return {at, at, left, !left};
    }
    const std::size_t at = std::stoul(called.substr(1)) - 1;
    return {at, at, called.front() == 'L', called.front() == 'R'};
}
std::vector<Named> pickupStates(const Context&) {
    return {{"collects",
             {"yes", "good", "ok", "picks up", "pick up", "works"},
             "it reads through to its lead"},
            {"only", {"alone"}, "these and no others"},
            {"none", {"no", "not", "dead", "insulated", "nothing"}, "it reads nothing"},
            {"tyre",
             {"rubber", "rubber tyre", "rubber tyres", "traction tyre", "traction tyres", "tyres",
              "tire", "tires", "traction tires"},
             "a rubber tyre collects nothing"}};
}
Result<JotResult> pickup(const ParsedLine& said) {
    const std::string& called = *said.name("WHEEL");
    const std::string& state = *said.name("STATE");
    JotResult result = jotted(said, {});
    std::vector<Axle*> axles;
    for (Unit& unit : result.after.units) {
        for (Axle& each : unit.body.axles) axles.push_back(&each);
    }
    const Wheels wheels = wheelsNamed(called, axles.size());
    const bool several = wheels.last > wheels.first;
    const bool both = wheels.left && wheels.right;
    const bool on = state == "collects" || state == "only";
    if (state == "only") {
        for (Axle* each : axles) {
            each->collectsLeft = each->collectsRight = false;
            each->looked = true;
        }
    }
    for (std::size_t i = wheels.first; i <= wheels.last; ++i) {
        if (wheels.left) axles[i]->collectsLeft = on;
        if (wheels.right) axles[i]->collectsRight = on;
        axles[i]->looked = true;
    }
    const std::string number = std::to_string(wheels.first + 1);
    const Text which = called == "all" ? text("Every wheel")
                       : several       ? text("The wheels of the %1", called)
                       : both          ? text("Axle %1", number)
                       : wheels.left   ? text("Left wheel of axle %1", number)
                                       : text("Right wheel of axle %1", number);
    result.meaning = called == "all"
                         ? (on ? text("Every wheel collects") : text("No wheel collects"))
                     : state == "only"     ? text("%1 only: nothing else picks up", which)
                     : state == "collects" ? text("%1: collects", which)
                     : state == "tyre"     ? text("%1: rubber tyre", which)
                                           : text("%1: collects nothing", which);
    return result;
}

std::vector<Named> collectorKinds(const Context&) {
    return {{"slider", {"skate", "ski"}, "on the middle conductor"},
            {"roller", {}, "on the middle conductor"},
            {"wiper", {}, "on a rail or a wire"},
            {"none", {"no"}, "takes them all off"}};
}
std::vector<Named> poles(const Context&) {
    return {{"centre", {"middle", "center"}, "the middle conductor"},
            {"left", {"left rail"}, "the left rail"},
            {"right", {"right rail"}, "the right rail"}};
}
std::vector<Named> takenOff(const Context&) { return {{"gone", {"off"}, "it is taken off"}}; }
/// The one of a kind that stands there, to the tenth of a millimetre that pictures and lines show.
Collector* collectorAt(Unit& unit, CollectorKind kind, Millimetres x) {
    for (Collector& each : unit.collectors) {
        if (each.kind == kind && std::abs((each.x - x).value()) < 0.06) return &each;
    }
    return nullptr;
}
/// "collector slider 60mm", "collector roller 20mm centre", "collector roller 20mm to 34mm",
/// "collector roller 34mm gone"
Result<JotResult> collector(const ParsedLine& said) {
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    const std::string& kind = *said.name("KIND");
    JotResult result = jotted(said, text("Nothing collects beside the wheels"));
    Unit& changed = result.after.units[*unit];
    if (kind == "none") {
        changed.collectors.clear();
        return result;
    }
    const auto at = said.one<Millimetres>("BACK");
    if (!at) {
        return refuse(ErrorCode::Missing, text("How far back from the front does it stand? Write "
                                               "it like %1.",
                                               said.command.examples.front()));
    }
    const auto to = said.one<Millimetres>("TO");
    if (to.value_or(*at) > changed.body.length) {
        return refuse(ErrorCode::OutOfRange, text("That is behind the end: the body is %1 long.",
                                                  formatted(changed.body.length, 4)));
    }
    const auto madeOf = *named<CollectorKind>(kind);
    Collector* stands = collectorAt(changed, madeOf, *at);
    const bool gone = said.name("GONE").has_value();
    if ((gone || to) && !stands) {
        return refuse(ErrorCode::Unknown, text("No %1 stands at %2.", kind, formatted(*at, 4)));
    }
    if (gone) {
        changed.collectors.erase(changed.collectors.begin() + (stands - changed.collectors.data()));
        result.meaning = text("The %1 at %2 is taken off", kind, formatted(*at, 4));
        return result;
    }
    if (!stands) {
        // A slider rests on some 45 mm of studs or rail; a roller touches at a point.
        changed.collectors.push_back(
            {madeOf, Pole::Centre, *at, Millimetres{kind == "slider" ? 45.0 : 2.0}});
        stands = &changed.collectors.back();
    }
    stands->x = to.value_or(stands->x);
    stands->length = said.one<Millimetres>("LONG").value_or(stands->length);
    if (const auto pole = said.name("POLE")) stands->pole = *named<Pole>(*pole);
    result.meaning = text("A %1 at %2, %3 long, collects: %4", kind, formatted(stands->x, 4),
                          formatted(stands->length), std::string(name(stands->pole)));
    return result;
}

// --- factory wires ---------------------------------------------------------------------------

std::vector<Named> colourNames(const Context&) {
    std::vector<Named> all;
    for (const char* colour : {"red", "black", "orange", "grey", "blue", "white", "yellow", "green",
                               "violet", "brown", "pink"}) {
        all.push_back({colour, {}, "the colour of its insulation"});
    }
    all[3].also = {"gray"};
    return all;
}
std::vector<Named> endNames(const Context&) {
    std::vector<Named> all;
    for (const std::string_view end : wireEnds()) {
        all.push_back({std::string(end), {}, "where the meter finds it"});
    }
    all[2].also = {"motor+", "motor +", "brush plus"};
    all[3].also = {"motor-", "motor -", "brush minus"};
    all[8].also = {"nowhere"};
    return all;
}
std::vector<Named> tags(const Context&) {
    return {{"tagged", {"labelled", "with a tag"}, "a tag on it says where it goes"}};
}
/// "wire black frame", "wire black frame to motor minus", "wire black frame gone". Each end that a
/// meter finds is a wire of its own: four black leads are four.
Result<JotResult> wire(const ParsedLine& said) {
    const std::string& colour = *said.name("COLOUR");
    const std::string& end = *said.name("END");
    const auto& other = said.name("OTHER");
    const bool tagged = said.name("TAG").has_value();
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    const Unit& in = said.context.job.units[*unit];
    const TerminalId to = terminalCalled(in, other ? *other : end);
    const auto from = other ? std::optional(terminalCalled(in, end)) : std::nullopt;
    JotResult result = jotted(said, {});
    std::vector<Wire>& wires = result.after.wires;
    const auto same = std::find_if(wires.begin(), wires.end(), [&](const Wire& each) {
        return each.factory && each.colour == colour && each.to == to &&
               (each.from == from || !each.from || !from);
    });
    if (said.name("GONE")) {
        if (same == wires.end()) {
            return refuse(ErrorCode::Unknown,
                          text("No %1 wire was found to go to: %2.", colour, called(to)));
        }
        wires.erase(same);
        result.meaning = text("The %1 wire to: %2 is taken back", colour, called(to));
        return result;
    }
    if (same != wires.end()) {
        same->labelled = same->labelled || tagged;
        if (!same->from) same->from = from;
    } else {
        wires.push_back({.id = newId(result.after, 'W'),
                         .colour = colour,
                         .from = from,
                         .to = to,
                         .labelled = tagged,
                         .factory = true});
    }
    const auto count = std::count_if(wires.begin(), wires.end(), [&](const Wire& each) {
        return each.factory && each.colour == colour && unitOf(result.after, each.to) == *unit;
    });
    result.meaning = other ? text("The %1 wire goes from %2 to: %3", colour, end, *other)
                           : text("The %1 wire goes to: %2", colour, end);
    if (tagged) result.meaning = text("%1, tagged", result.meaning);
    if (count > 1)
        result.meaning = text("%1; %2 %3 wires now", result.meaning, std::to_string(count), colour);
    return result;
}

// --- taking back -----------------------------------------------------------------------------

std::vector<Named> readingNames(const Context&) {
    return {{"stall", {"stalled"}, "the last stall test"},
            {"slip", {"slipping"}, "the last slip reading"},
            {"haul", {"hauling"}, "the last hauling reading"},
            {"light", {"running"}, "the last light-running reading"},
            {"over", {"more than", "bound"}, "the last one that was broken off"},
            {"ohms", {"winding"}, "the last winding reading"}};
}
std::vector<Named> firstOrLast(const Context&) {
    return {{"first", {}, "the oldest of them"}, {"last", {"latest"}, "the newest of them"}};
}
Result<JotResult> removeReading(const ParsedLine& said) {
    const std::string& wanted = *said.name("READING");
    const bool first = said.name("FIRST") == "first";
    const auto of = motorOf(said);
    if (!of) return tl::unexpected(of.error());
    JotResult result = jotted(said, {});
    Motor& motor = motorIn(result.after, (*of)->id);
    // Struck out, not wiped: it stays to be seen.
    const auto tell = [&](Text what) {
        result.meaning = ofMotorSaid(said.context.job, **of, std::move(what));
    };
    if (wanted == "ohms" && !motor.windings.empty()) {
        const auto reading = first ? motor.windings.begin() : std::prev(motor.windings.end());
        tell(first ? text("First winding reading removed: %1", formatted(reading->value))
                   : text("Last winding reading removed: %1", formatted(reading->value)));
        motor.windings.erase(reading);
        return result;
    }
    for (const auto& [word, condition] :
         {std::pair{"stall", MotorCondition::Stalled}, std::pair{"slip", MotorCondition::Slipping},
          std::pair{"haul", MotorCondition::Hauling}, std::pair{"light", MotorCondition::Light},
          std::pair{"over", MotorCondition::Light}}) {
        if (wanted != word) continue;
        // What was broken off counts as running light where nothing else was read so.
        const bool whole = std::any_of(
            motor.readings.begin(), motor.readings.end(), [&, c = condition](const auto& each) {
                return !each.struck && !each.atLeast && each.condition == c;
            });
        const bool bound = wanted == "over" || (wanted == "light" && !whole);
        auto reading = motor.readings.end();
        for (auto it = motor.readings.begin(); it != motor.readings.end(); ++it) {
            if (!it->struck && it->condition == condition && it->atLeast == bound &&
                !(first && reading != motor.readings.end()))
                reading = it;
        }
        if (reading == motor.readings.end()) continue;
        tell(first ? text("First %1 reading struck out: %2", word, formatted(reading->amps))
                   : text("Last %1 reading struck out: %2", word, formatted(reading->amps)));
        reading->struck = true;
        return result;
    }
    return refuse(ErrorCode::Unknown, text("There is no %1 reading to remove.", wanted));
}

// --- the table -------------------------------------------------------------------------------

/// What a meter's values scattered by; the hold button and a cut log write it.
constexpr Argument scatter{.what = "SCATTER",
                           .after = "scatter",
                           .dimension = Dimension::Current,
                           .least = 1e-6,
                           .most = 5};
constexpr Argument whichMotor{
    .what = "WHICH", .kind = Kind::Name, .names = motorPhrases, .ofSeveral = true};
constexpr Argument stallArguments[] = {amps, stallVolts, scatter, ofMotor, inMotor, whichMotor};
std::vector<Named> throttles(const Context&) {
    return {{"half throttle", {"half"}, "not fully open"}};
}
constexpr Argument halfThrottle{.what = "THROTTLE", .kind = Kind::Name, .names = throttles};
constexpr Argument throttleShare{
    .what = "PERCENT", .dimension = Dimension::Ratio, .least = 0.01, .most = 1, .unitNeeded = true};
constexpr Argument readingArguments[] = {amps,          volts,   scatter, halfThrottle,
                                         throttleShare, ofMotor, inMotor, whichMotor};
constexpr Argument overArguments[] = {amps,    volts,   halfThrottle, throttleShare,
                                      ofMotor, inMotor, whichMotor};
constexpr Argument ohmsArguments[] = {{.what = "OHMS",
                                       .needed = true,
                                       .missing = "How many ohms?",
                                       .dimension = Dimension::Resistance,
                                       .least = leastWinding.value(),
                                       .most = mostWinding.value(),
                                       .atMost = 12},
                                      ofMotor,
                                      inMotor,
                                      whichMotor};
constexpr Argument trackArguments[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 30}, unknown};
constexpr Argument dropArgument[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.05, .most = 4, .zero = true},
    unknown};
std::vector<Named> bridgeNames(const Context&) {
    return {{"silicon", {"rectifier"}, "a bridge of silicon diodes before the lamps"},
            {"schottky", {}, "a bridge of Schottky diodes before the lamps"},
            {"none", {"no"}, "no bridge"}};
}
std::vector<Named> diodeNames(const Context& context) {
    std::vector<Named> all = bridgeNames(context);
    all.pop_back();  // "bridge none" could be meant of the motor's
    return all;
}
constexpr Argument bridgeArguments[] = {
    dropArgument[0], unknown, {.what = "KIND", .kind = Argument::Kind::Name, .names = diodeNames}};
constexpr Argument rectifierArguments[] = {
    dropArgument[0], unknown, {.what = "KIND", .kind = Argument::Kind::Name, .names = bridgeNames}};
constexpr Argument supplyArguments[] = {
    {.what = "KIND",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which kind: dcc, three-rail, dc, battery or fixed dc?",
     .names = feedNames},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 30},
    {.what = "LIMIT",
     .dimension = Dimension::Current,
     .least = 0.05,
     .most = 30,
     .unitNeeded = true},
    {.what = "HERTZ", .kind = Kind::Name, .names = hertzNames}};
constexpr Argument polarityArguments[] = {{.what = "KNOWN",
                                           .kind = Kind::Name,
                                           .needed = true,
                                           .missing = "Is it unknown, or marked?",
                                           .names = polarities}};
constexpr const char* polarityExamples[] = {"polarity unknown", "polarity marked"};
constexpr const char* supplyNoise[] = {"gives", "up", "to", "max", "limit"};
constexpr Argument motorArguments[] = {
    {.what = "KIND",
     .kind = Kind::Name,
     .names = motorKinds,
     .unknown = "“%1” is no kind of motor. There are: %2."},
    {.what = "FRAME", .kind = Kind::Name, .names = frameKinds},
    {.what = "ISOLATED", .kind = Kind::Name, .names = isolation},
    {.what = "WHICH", .kind = Kind::Name, .names = motorNumbers, .ofSeveral = true},
    ofMotor,
    unitArgument};
std::vector<Named> motorCounts(const Context&) {
    std::vector<Named> all;
    for (const char* number : {"1", "2", "3", "4", "5", "6"}) all.push_back({number, {}, "motors"});
    all[0].also = {"one"};
    all[1].also = {"two"};
    return all;
}
constexpr Argument motorsArguments[] = {
    {.what = "COUNT", .kind = Kind::Name, .names = motorCounts},
    {.what = "KIND", .kind = Kind::Name, .names = motorKinds},
    {.what = "ISOLATED", .kind = Kind::Name, .names = isolation},
    unitArgument};
constexpr const char* motorsExamples[] = {"motors 2", "motors 2 can"};
constexpr const char* motorsNoise[] = {"both", "all", "are", "each"};
constexpr Argument axleArguments[] = {
    {.what = "NUMBER",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which axle, counted from the front?",
     .names = axleNumbers,
     .unknown = "There is no axle “%1”. There are: %2.",
     .none = "This model has no axles."},
    {.what = "SIDE",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which wheels collect: both, left, right or none?",
     .names = collectingSides}};
constexpr Argument pickupArguments[] = {{.what = "WHEEL",
                                         .kind = Kind::Name,
                                         .needed = true,
                                         .missing = "Which wheel?",
                                         .names = wheelNames,
                                         .unknown = "There is no wheel “%1”. There are: %2.",
                                         .none = "This model has no axles."},
                                        {.what = "STATE",
                                         .kind = Kind::Name,
                                         .needed = true,
                                         .missing = "Does it collect?",
                                         .names = pickupStates}};
constexpr Argument wireArguments[] = {{.what = "COLOUR",
                                       .kind = Kind::Name,
                                       .needed = true,
                                       .missing = "Which wire?",
                                       .names = colourNames},
                                      {.what = "END",
                                       .kind = Kind::Name,
                                       .needed = true,
                                       .missing = "Where does the meter find it?",
                                       .names = endNames},
                                      {.what = "TAG", .kind = Kind::Name, .names = tags},
                                      {.what = "GONE", .kind = Kind::Name, .names = takenOff},
                                      {.what = "OTHER", .kind = Kind::Name, .names = endNames},
                                      unitArgument};
constexpr Argument removeArguments[] = {{.what = "READING",
                                         .kind = Kind::Name,
                                         .needed = true,
                                         .missing = "What is to be removed?",
                                         .names = readingNames},
                                        {.what = "FIRST", .kind = Kind::Name, .names = firstOrLast},
                                        ofMotor};

constexpr const char* stallWords[] = {"stalled", "stalls", "stalling"};
constexpr const char* slipWords[] = {"slipping",   "slipped", "slips", "wheelslip",
                                     "wheel-slip", "spin",    "spins", "spinning"};
constexpr const char* haulWords[] = {"hauling", "hauled", "hauls", "pulling", "pulls"};
constexpr const char* lightWords[] = {"running", "runs", "ran", "no-load", "unloaded"};
constexpr const char* ohmsWords[] = {"ohm", "winding", "windings"};
constexpr const char* stallExamples[] = {"stall 1.15A 12V", "stall 12V 900mA", "12V 1.15A stall"};
constexpr const char* slipExamples[] = {"slip 420mA", "slip 0.6A 12V"};
constexpr const char* haulExamples[] = {"haul 350mA 12V", "hauling .35A"};
constexpr const char* lightExamples[] = {"light 180mA 12V", "running light 0.18A"};
constexpr const char* overExamples[] = {"over 1A at half throttle", "over 1A"};
constexpr const char* overWords[] = {"above", "more"};
constexpr const char* ohmsExamples[] = {"ohms 9.8", "ohms 9.8 9.6 10.1", "winding 9.8 ohms"};
constexpr const char* trackExamples[] = {"track 14.8V", "track unknown"};
constexpr Argument collectorArguments[] = {
    {.what = "KIND",
     .kind = Kind::Name,
     .needed = true,
     .missing = "A slider, a roller, a wiper, or none?",
     .names = collectorKinds},
    {.what = "LONG", .after = "long", .dimension = Dimension::Length, .least = 0.0005, .most = 0.3},
    {.what = "TO", .after = "to", .dimension = Dimension::Length, .least = 0.0005, .most = 1},
    {.what = "BACK", .dimension = Dimension::Length, .least = 0.0005, .most = 1, .zero = true},
    {.what = "POLE", .kind = Kind::Name, .names = poles},
    {.what = "GONE", .kind = Kind::Name, .names = takenOff},
    unitArgument};
constexpr const char* collectorExamples[] = {"collector slider 60mm",
                                             "collector roller 20mm centre", "collector none"};
constexpr Argument boardArguments[] = {
    {.what = "WHAT",
     .kind = Kind::Name,
     .needed = true,
     .missing = "What of it: kept, plugs in, replaced, common …?",
     .names = boardWords}};
constexpr const char* boardExamples[] = {"board kept", "board common track", "board open",
                                         "board no resistors"};
std::vector<Named> neverOnly(const Context&) {
    return {{"none", {"no", "never"}, "it never meets one"}};
}
constexpr Argument packArguments[] = {
    {.what = "CELLS", .kind = Kind::Name, .names = cellCounts},
    {.what = "KIND",
     .kind = Kind::Name,
     .names = chemistries,
     .unknown = "“%1” is no kind of cell. There are: %2."},
    {.what = "CAPACITY", .dimension = Dimension::Charge, .least = 0.01, .most = 50},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.5, .most = 40},
    {.what = "ON", .kind = Kind::Name, .after = "on", .names = packPlaces}};
constexpr Argument pulseArguments[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 5, .most = 40},
    {.what = "none", .kind = Kind::Name, .names = neverOnly}};
constexpr const char* pulseExamples[] = {"pulse 24V", "pulse none"};
constexpr const char* packWords[] = {"pack"};
constexpr const char* packExamples[] = {"battery 3 li-ion 2.6Ah", "battery 9V block"};
constexpr const char* packNoise[] = {"cells", "cell", "a"};
constexpr const char* supplyExamples[] = {"supply dcc", "supply battery 9V", "supply dc 12V 1A"};
constexpr const char* rectifierExamples[] = {"rectifier 1.1V", "rectifier unknown",
                                             "rectifier silicon"};
constexpr const char* bridgeExamples[] = {"bridge 0.3V", "bridge silicon"};
constexpr const char* switchExamples[] = {"switch 0.1V"};
constexpr const char* motorExamples[] = {"motor open-frame frame-return", "motor isolated",
                                         "motor none"};
constexpr const char* motorWords[] = {"brushes"};
constexpr const char* motorNoise[] = {"is",      "are", "the", "both", "brushes",
                                      "chassis", "a",   "it",  "now"};
constexpr const char* axleExamples[] = {"axle 2 left", "axle 1 none"};
constexpr const char* axleNoise[] = {"collects", "from", "on", "wheel", "wheels", "only"};
constexpr const char* pickupExamples[] = {"pickup L2 none", "pickup R1 tyre"};
constexpr const char* pickupNoise[] = {"wheel", "wheels", "is", "has", "have", "a", "on"};
constexpr const char* pickupWords[] = {"pickups", "tyres", "traction", "tyre"};
constexpr const char* cavityExamples[] = {"cavity hood 52x14x11",
                                          "cavity smokebox 20x10x9 at 5x12"};
constexpr const char* cavityWords[] = {"hollow"};
constexpr const char* weightWords[] = {"ballast"};
constexpr const char* weightExamples[] = {"weight hood 30x12x8", "weight hood may go"};
constexpr const char* speakerExamples[] = {"speaker hood 20x12x6"};
constexpr const char* wireExamples[] = {"wire red left rail", "wire grey motor minus"};
constexpr const char* wireNoise[] = {"goes", "to", "is", "the", "from", "lead", "a", "second"};
constexpr const char* removeExamples[] = {"remove stall"};
constexpr const char* trackNoise[] = {"volts", "voltage"};
constexpr const char* readingNoise[] = {"test",     "reading", "motor", "wheels", "current",
                                        "throttle", "than",    "draws", "takes"};
constexpr const char* haulNoise[] = {"test",     "reading", "motor", "wheels", "current",
                                     "throttle", "than",    "draws", "takes",  "its",
                                     "usual",    "train",   "a"};
constexpr const char* ohmsNoise[] = {"test",    "reading", "motor",     "current",
                                     "winding", "coil",    "resistance"};
constexpr const char* lightNoise[] = {"light",    "motor", "alone", "current",
                                      "throttle", "draws", "takes"};
constexpr const char* dropNoise[] = {"drop", "drops"};
constexpr const char* removeNoise[] = {"reading", "test"};

/// "dcc 15.1V"
bool feedAlone(const std::vector<Token>& line) {
    const std::string feed = lowered(line.front().words);
    return (feed == "dcc" || feed == "usb") && line.size() <= 3 && line.size() > 1 &&
           line[1].unit == Dimension::Voltage;
}

/// "frame-return", "split frame": how a frame is wired, said alone.
bool saysFrame(const std::vector<Token>& line) {
    std::string words;
    for (const Token& each : line) words += (words.empty() ? "" : " ") + lowered(each.words);
    static constexpr std::string_view all[] = {"frame-return", "frame return", "split-frame",
                                               "split frame",  "insulated",    "insulated frame"};
    return std::find(std::begin(all), std::end(all), words) != std::end(all);
}

constexpr Command table[] = {
    {"stall", stallWords, stallArguments, stallExamples, "a stall test: a second at the most",
     reading<MotorCondition::Stalled>, false, readingNoise, nullptr, longestWords, true},
    {"slip", slipWords, readingArguments, slipExamples, "held back until the wheels slip",
     reading<MotorCondition::Slipping>, false, readingNoise},
    {"haul", haulWords, readingArguments, haulExamples, "with its usual train",
     reading<MotorCondition::Hauling>, false, haulNoise},
    {"light", lightWords, readingArguments, lightExamples, "running alone at medium speed",
     reading<MotorCondition::Light>, false, lightNoise},
    {"over", overWords, overArguments, overExamples, "broken off there: it takes at least so much",
     over, false, readingNoise},
    {"ohms", ohmsWords, ohmsArguments, ohmsExamples,
     "the winding, motor disconnected; several rotor positions", ohms, false, ohmsNoise},
    {"track",
     {},
     trackArguments,
     trackExamples,
     "track or supply volts, measured",
     track,
     false,
     trackNoise},
    {"supply",
     {},
     supplyArguments,
     supplyExamples,
     "dcc, three-rail, dc, battery, fixed dc; its volts if measured, and what it can give",
     supply,
     false,
     supplyNoise,
     nullptr,
     longestWords,
     false,
     {},
     feedAlone},
    {"pulse",
     {},
     pulseArguments,
     pulseExamples,
     "the reversing pulse of an analogue three-rail transformer",
     pulse},
    {"polarity",
     {},
     polarityArguments,
     polarityExamples,
     "whether it is known which lead of the supply is plus",
     polarity},
    {"rectifier",
     {},
     rectifierArguments,
     rectifierExamples,
     "drop of the rectifier, measured; or the one that is put before lamps on the supply",
     rectifier,
     false,
     dropNoise},
    {"bridge",
     {},
     bridgeArguments,
     bridgeExamples,
     "drop of the motor bridge, measured; by its diodes the one that is put before lamps on the "
     "supply",
     bridge,
     false,
     dropNoise},
    {"switch",
     {},
     dropArgument,
     switchExamples,
     "drop of a lit output, measured",
     switchDrop,
     false,
     dropNoise},
    {"battery", packWords, packArguments, packExamples,
     "what it carries: cells, kind, what is printed", battery, false, packNoise},
    {"board",
     {},
     boardArguments,
     boardExamples,
     "the factory's lighting board, as the meter finds it",
     board},
    {.word = "motor",
     .also = motorWords,
     .arguments = motorArguments,
     .examples = motorExamples,
     .meaning = "what kind of motor it is; whether its brushes are free of the frame",
     .read = motor,
     .noise = motorNoise,
     .implied = saysFrame,
     .impliedLater = true},
    {"motors",
     {},
     motorsArguments,
     motorsExamples,
     "how many motors drive it",
     motors,
     false,
     motorsNoise},
    {"axle",
     {},
     axleArguments,
     axleExamples,
     "which of its wheels collect, found with the meter",
     axle,
     false,
     axleNoise},
    {"pickup", pickupWords, pickupArguments, pickupExamples, "one wheel, found with the meter",
     pickup, false, pickupNoise},
    {"collector",
     {},
     collectorArguments,
     collectorExamples,
     "a slider, roller or wiper: how far back it stands, what it collects",
     collector},
    {"cavity",
     cavityWords,
     {},
     cavityExamples,
     "a hollow as it was measured: length, width, height",
     cavityCommand,
     true},
    {"weight",
     weightWords,
     {},
     weightExamples,
     "a weight that takes room in a hollow: its measures, whether it may go",
     weightCommand,
     true},
    {"speaker", {}, {}, speakerExamples, "a speaker that is there already", speakerCommand, true},
    {"wire",
     {},
     wireArguments,
     wireExamples,
     "a factory wire, where the meter finds its end",
     wire,
     false,
     wireNoise},
    {"remove",
     {},
     removeArguments,
     removeExamples,
     "the last stall, slip, haul, light, ohms",
     removeReading,
     false,
     removeNoise},
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::measure
