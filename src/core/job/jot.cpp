#include "core/job/jot.h"

#include "core/quantity/format.h"
#include "core/quantity/parse.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <cmath>
#include <optional>

namespace glimmet::core {
namespace {

// Largest values that any model, tester or layout shows; beyond them a unit was mistyped.
constexpr Volts mostVolts{60};
constexpr Amperes mostAmps{50};
constexpr Ohms mostOhms{10e6};

struct Line {
    std::vector<std::string> words;  ///< after the first, units joined to their numbers
    std::string rest;                ///< the same as typed
    const Job& job;
    const Catalogue& catalogue;
    const std::string& today;
};

std::string lowered(std::string words) {
    for (char& c : words) {
        if (static_cast<unsigned char>(c) < 128) c = static_cast<char>(std::tolower(c));
    }
    return words;
}

std::string joined(std::span<const std::string> words) {
    std::string line;
    for (const std::string& word : words) line += (line.empty() ? "" : " ") + word;
    return line;
}

bool startsNumeric(const std::string& word) {
    const char c = word.front();
    return (c >= '0' && c <= '9') || c == '.' || c == ',' || c == '-' || c == '+';
}

/// Splits at blanks and joins a number with a unit that stands alone behind it: "1.15 A".
std::vector<std::string> wordsOf(std::string_view line) {
    std::vector<std::string> words;
    std::string word;
    const auto flush = [&] {
        if (!word.empty()) words.push_back(word);
        word.clear();
    };
    for (const char c : line) {
        if (c == ' ' || c == '\t' || c == '\n' || c == '\r')
            flush();
        else
            word += c;
    }
    flush();
    for (std::size_t i = 0; i + 1 < words.size(); ++i) {
        if (!startsNumeric(words[i]) || startsNumeric(words[i + 1])) continue;
        if (dimensionNamed(words[i])) continue;
        const std::string both = words[i] + " " + words[i + 1];
        if (!dimensionNamed(both)) continue;
        words[i] = both;
        words.erase(words.begin() + static_cast<std::ptrdiff_t>(i) + 1);
    }
    return words;
}

tl::unexpected<Error> refuse(ErrorCode code, Text what) {
    return failure(code, "jot", std::move(what));
}

/// A quantity above 0 and not above `most`.
template <class Quantity>
Result<Quantity> positive(const std::string& word, Quantity most) {
    const auto value = parsed<Quantity>(word);
    if (!value) return value;
    if (!(*value > Quantity{0}) || *value > most) {
        return refuse(
            ErrorCode::OutOfRange,
            text("“%1” is out of range: above 0 and up to %2 is allowed.", word, formatted(most)));
    }
    return value;
}

template <class Quantity>
Result<Quantity> notNegative(const std::string& word, Quantity most) {
    const auto value = parsed<Quantity>(word);
    if (!value) return value;
    if (!(*value >= Quantity{0}) || *value > most) {
        return refuse(ErrorCode::OutOfRange,
                      text("“%1” is out of range: 0 to %2 is allowed.", word, formatted(most)));
    }
    return value;
}

/// Takes the words that are quantities of a dimension out of the list.
std::vector<std::string> taken(std::vector<std::string>& words, Dimension dimension) {
    std::vector<std::string> found;
    for (auto it = words.begin(); it != words.end();) {
        const auto named = dimensionNamed(*it);
        if (named && *named == dimension) {
            found.push_back(*it);
            it = words.erase(it);
        } else {
            ++it;
        }
    }
    return found;
}

Jotted jotted(const Line& line, Stage stage, Text meaning) {
    return {std::move(meaning), line.job, stage, {}};
}

// ---- readings ---------------------------------------------------------------------------------

Result<Jotted> reading(const Line& line, MotorCondition condition, const char* example) {
    if (!line.job.motor) {
        return refuse(ErrorCode::Unknown, text("%1 has no motor to read.", line.job.name));
    }
    std::vector<std::string> words = line.words;
    const auto amps = taken(words, Dimension::Current);
    const auto volts = taken(words, Dimension::Voltage);
    if (!words.empty()) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” is not a current or a voltage. Write it like %2.", words.front(), example));
    }
    if (amps.size() != 1 || volts.size() > 1) {
        return refuse(ErrorCode::Missing,
                      text("It takes one current and one voltage. Write it like %1.", example));
    }
    if (condition == MotorCondition::Stalled && volts.empty()) {
        return refuse(ErrorCode::Missing,
                      text("A stall test needs the volts at that moment too, because they sag. "
                           "Write it like %1.",
                           example));
    }
    TakenReading made;
    made.condition = condition;
    made.on = line.today;
    const auto current = positive<Amperes>(amps.front(), mostAmps);
    if (!current) return tl::unexpected(current.error());
    made.amps = *current;
    if (!volts.empty()) {
        const auto voltage = positive<Volts>(volts.front(), mostVolts);
        if (!voltage) return tl::unexpected(voltage.error());
        made.volts = *voltage;
    }
    const std::string what =
        formatted(made.amps) + (made.volts ? " at " + formatted(*made.volts) : "");
    Text meaning;
    switch (condition) {
        case MotorCondition::Stalled:
            meaning = text("Stall test: %1", what);
            break;
        case MotorCondition::Slipping:
            meaning = text("Wheels slipping: %1", what);
            break;
        case MotorCondition::Hauling:
            meaning = text("Hauling: %1", what);
            break;
        case MotorCondition::Light:
            meaning = text("Running light: %1", what);
            break;
    }
    Jotted result = jotted(line, Stage::Measure, std::move(meaning));
    result.after.motor->readings.push_back(std::move(made));
    return result;
}

Result<Jotted> stall(const Line& line) {
    return reading(line, MotorCondition::Stalled, "stall 1.15A 12V");
}
Result<Jotted> slip(const Line& line) {
    return reading(line, MotorCondition::Slipping, "slip 420mA");
}
Result<Jotted> haul(const Line& line) {
    return reading(line, MotorCondition::Hauling, "haul 350mA 12V");
}
Result<Jotted> light(const Line& line) {
    return reading(line, MotorCondition::Light, "light 180mA 12V");
}

Result<Jotted> ohms(const Line& line) {
    if (!line.job.motor) {
        return refuse(ErrorCode::Unknown, text("%1 has no motor to read.", line.job.name));
    }
    const auto value = positive<Ohms>(line.rest, Ohms{100000});
    if (!value) return tl::unexpected(value.error());
    Jotted result = jotted(line, Stage::Measure, text("Winding: %1", formatted(*value)));
    result.after.motor->windings.push_back({*value, line.today});
    return result;
}

Result<Jotted> supplyVolts(const Line& line, std::optional<Measured<Volts>> Supply::*field,
                           Text name, bool mayBeZero) {
    if (lowered(line.rest) == "unknown") {
        Jotted result = jotted(line, Stage::Measure, text("%1: not measured", name));
        result.after.supply.*field = std::nullopt;
        return result;
    }
    const auto value =
        mayBeZero ? notNegative<Volts>(line.rest, Volts{5}) : positive<Volts>(line.rest, mostVolts);
    if (!value) return tl::unexpected(value.error());
    Jotted result = jotted(line, Stage::Measure, text("%1: %2", name, formatted(*value)));
    result.after.supply.*field = Measured<Volts>{*value, line.today};
    return result;
}

Result<Jotted> track(const Line& line) {
    return supplyVolts(line, &Supply::volts, text("Track or supply volts"), false);
}
Result<Jotted> rectifier(const Line& line) {
    return supplyVolts(line, &Supply::rectifier, text("Rectifier drop"), true);
}
Result<Jotted> bridge(const Line& line) {
    return supplyVolts(line, &Supply::bridge, text("Motor bridge drop"), true);
}
Result<Jotted> switchDrop(const Line& line) {
    return supplyVolts(line, &Supply::outputSwitch, text("Output switch drop"), true);
}

/// One of several words; the message lists them.
template <class Value, class Named>
Result<Value> oneOf(const std::string& word, Named named, const char* allowed) {
    if (const auto value = named(word)) return *value;
    return refuse(ErrorCode::Unknown, text("“%1” is none of: %2.", word, allowed));
}

Result<Jotted> supply(const Line& line) {
    const auto kind = oneOf<SupplyKind>(lowered(line.rest), supplyKindNamed, "dcc, dc, battery");
    if (!kind) return tl::unexpected(kind.error());
    Jotted result = jotted(line, Stage::Measure, text("Supply: %1", std::string(name(*kind))));
    result.after.supply.kind = *kind;
    return result;
}

Result<Jotted> rule(const Line& line) {
    const auto chosen =
        oneOf<RatingRule>(lowered(line.rest), ratingRuleNamed, "strict, slip, running");
    if (!chosen) return tl::unexpected(chosen.error());
    Jotted result =
        jotted(line, Stage::Measure, text("Rating rule: %1", std::string(name(*chosen))));
    result.after.rule = *chosen;
    return result;
}

Result<Jotted> motor(const Line& line) {
    Jotted result = jotted(line, Stage::Measure, text("Motor: %1", lowered(line.rest)));
    if (lowered(line.rest) == "none") {
        result.after.motor.reset();
        return result;
    }
    Motor made = line.job.motor.value_or(Motor{});
    if (line.words.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Say which: motor can, motor open-frame frame-return."));
    }
    for (const std::string& word : line.words) {
        if (const auto kind = motorKindNamed(lowered(word)))
            made.kind = *kind;
        else if (const auto frame = frameKindNamed(lowered(word)))
            made.frame = *frame;
        else {
            return refuse(ErrorCode::Unknown,
                          text("“%1” is none of: can, coreless, open-frame, insulated, "
                               "frame-return, split-frame, none.",
                               word));
        }
    }
    result.after.motor = made;
    return result;
}

// ---- parts ------------------------------------------------------------------------------------

Result<Jotted> decoder(const Line& line) {
    if (lowered(line.rest) == "none") {
        Jotted result = jotted(line, Stage::Measure, text("No decoder"));
        result.after.decoder.reset();
        return result;
    }
    const Decoder* found = decoderNamed(line.catalogue, line.rest);
    if (!found) {
        std::string known;
        for (const Decoder& each : line.catalogue.decoders) {
            known += (known.empty() ? "" : ", ") + each.id;
        }
        return refuse(ErrorCode::Unknown,
                      text("No decoder goes by “%1”. The catalogue has: %2.", line.rest, known));
    }
    Jotted result = jotted(line, Stage::Measure, text("Decoder: %1", found->name));
    result.after.decoder = *found;
    return result;
}

struct RowAddress {
    std::size_t circuit = 0;
    std::size_t row = 0;
    bool wholeCircuit = true;
};

/// "front lamp", "front", "white", "front lamp/2".
Result<RowAddress> addressed(const Job& job, const std::string& typed) {
    std::string wanted = lowered(typed);
    RowAddress address;
    if (const auto slash = wanted.rfind('/'); slash != std::string::npos) {
        const std::string number = wanted.substr(slash + 1);
        if (number.empty() || number.size() > 3 ||
            !std::all_of(number.begin(), number.end(),
                         [](char c) { return c >= '0' && c <= '9'; })) {
            return refuse(ErrorCode::NotUnderstood,
                          text("“%1” names no row. Write it like front lamp/2.", typed));
        }
        address.row = std::stoul(number);
        address.wholeCircuit = false;
        if (address.row > 0)
            --address.row;
        else
            return refuse(ErrorCode::OutOfRange, text("Rows are counted from 1."));
        wanted.resize(slash);
    }
    std::vector<std::size_t> exact;
    std::vector<std::size_t> loose;
    std::string known;
    for (std::size_t i = 0; i < job.circuits.size(); ++i) {
        const Circuit& circuit = job.circuits[i];
        known += (known.empty() ? "" : ", ") + circuit.name;
        const DecoderOutput* output = outputNamed(job, circuit.output);
        const std::string called = lowered(circuit.name);
        if (called == wanted)
            exact.push_back(i);
        else if (called.starts_with(wanted) || lowered(circuit.output) == wanted ||
                 (output && lowered(output->wire) == wanted)) {
            loose.push_back(i);
        }
    }
    const auto& found = exact.empty() ? loose : exact;
    if (wanted.empty() || found.size() != 1) {
        if (known.empty()) {
            return refuse(ErrorCode::Unknown,
                          text("There is no lamp yet. Add one first: lamp front white."));
        }
        return refuse(ErrorCode::Unknown,
                      found.size() > 1
                          ? text("“%1” could be several lamps. There are: %2.", typed, known)
                          : text("No lamp goes by “%1”. There are: %2.", typed, known));
    }
    address.circuit = found.front();
    const std::size_t rows = job.circuits[address.circuit].rows.size();
    if (address.row >= rows) {
        return refuse(
            ErrorCode::OutOfRange,
            text("%1 has %2 rows.", job.circuits[address.circuit].name, std::to_string(rows)));
    }
    return address;
}

struct LampWords {
    std::optional<LampPart> part;
    bool measured = false;
    std::optional<Amperes> target;
    std::vector<std::string> names;  ///< what is left: the site or circuit
    std::string output;
};

/// Sorts the words of a lamp line into part, point, target, output and the rest.
Result<LampWords> lampWords(const Line& line, const LampPart* present) {
    LampWords made;
    std::vector<std::string> words = line.words;
    const auto on = std::find(words.begin(), words.end(), "on");
    if (on != words.end()) {
        made.output = joined(std::span(on + 1, words.end()));
        words.erase(on, words.end());
        if (made.output.empty()) {
            return refuse(ErrorCode::Missing,
                          text("On which output? Write it like lamp front white on white."));
        }
    }
    const auto volts = taken(words, Dimension::Voltage);
    const auto amps = taken(words, Dimension::Current);
    if (volts.size() > 1 || amps.size() > 1 || (volts.size() == 1 && amps.empty())) {
        return refuse(ErrorCode::Missing,
                      text("A forward voltage needs the current it was read at. Write it like "
                           "lamp rear red 2.0V 20mA."));
    }
    std::string tint;
    std::optional<LedFamily> family;
    for (const std::string& word : words) {
        const std::string lower = lowered(word);
        if (const LampPart* part = lampNamed(line.catalogue, word))
            made.part = *part;
        else if (const auto named = ledFamilyNamed(lower); named && !family)
            family = named;
        else if (lower == "warm" || lower == "cool")
            tint = lower;
        else if (lower != "lamp")
            made.names.push_back(word);
        else if (!made.names.empty())
            made.names.push_back(word);
    }
    if (family && !made.part) {
        LampPart plainLamp;
        plainLamp.family = *family;
        plainLamp.tint = tint;
        plainLamp.name = (tint.empty() ? "" : tint + " ") + std::string(name(*family)) + " LED";
        made.part = plainLamp;
    }
    if (volts.size() == 1) {
        const auto voltage = positive<Volts>(volts.front(), Volts{20});
        const auto current = positive<Amperes>(amps.front(), Amperes{5});
        if (!voltage) return tl::unexpected(voltage.error());
        if (!current) return tl::unexpected(current.error());
        if (!made.part && present) made.part = *present;
        if (!made.part) {
            return refuse(ErrorCode::Missing,
                          text("Which colour? Write it like lamp rear red 2.0V 20mA."));
        }
        made.part->forward = ForwardPoint{*voltage, *current};
        made.measured = true;
        if (const auto possible = law(*made.part); !possible) {
            return tl::unexpected(possible.error());
        }
    } else if (amps.size() == 1) {
        const auto current = positive<Amperes>(amps.front(), Amperes{1});
        if (!current) return tl::unexpected(current.error());
        made.target = *current;
    }
    return made;
}

const LampSite* siteNamed(const Job& job, const std::string& typed) {
    const std::string wanted = lowered(typed);
    for (const LampSite& site : job.body.sites) {
        if (lowered(site.name) == wanted || lowered(site.name) == wanted + " lamp") return &site;
    }
    for (const LampSite& site : job.body.sites) {
        if (!wanted.empty() && lowered(site.name).starts_with(wanted)) return &site;
    }
    return nullptr;
}

/// The output named or wired in a colour; else what the lamp's place suggests.
std::string outputFor(const Job& job, const std::string& typed, Facing facing) {
    if (!typed.empty()) {
        if (job.decoder) {
            for (const DecoderOutput& output : job.decoder->outputs) {
                if (lowered(output.name) == lowered(typed) ||
                    lowered(output.wire) == lowered(typed)) {
                    return output.name;
                }
            }
        }
        return lowered(typed) == supplyOutput ? supplyOutput : "";
    }
    if (!job.decoder) {
        // A motor means that a decoder will come; its outputs are named by the standard.
        if (!job.motor) return supplyOutput;
        return facing == Facing::Front ? "front" : facing == Facing::Rear ? "rear" : "1";
    }
    const auto free = [&](const DecoderOutput& output) {
        return std::none_of(job.circuits.begin(), job.circuits.end(),
                            [&](const Circuit& c) { return c.output == output.name; });
    };
    const std::string usual = facing == Facing::Front  ? "front"
                              : facing == Facing::Rear ? "rear"
                                                       : "";
    if (!usual.empty() && outputNamed(job, usual)) return usual;
    for (const DecoderOutput& output : job.decoder->outputs) {
        const bool directional = output.name == "front" || output.name == "rear";
        if (free(output) && !directional) return output.name;
    }
    for (const DecoderOutput& output : job.decoder->outputs) {
        if (free(output)) return output.name;
    }
    return job.decoder->outputs.empty() ? "" : job.decoder->outputs.back().name;
}

Lamp placed(const Job& job, const LampSite* site, const std::string& name, const LampPart& part,
            bool measured) {
    if (site) return {site->name, part, measured, site->at, site->facing};
    // A name of its own: in the middle of the body, to be moved where it belongs.
    return {name, part, measured, {job.body.length / 2.0, job.body.height / 2.0}, Facing::Inside};
}

Result<Jotted> lamp(const Line& line) {
    // "lamp front lamp …" where it exists already: its lamp is described anew.
    const LampPart* present = nullptr;
    const auto words = lampWords(line, nullptr);
    std::string called;
    LampWords made;
    if (words) {
        made = *words;
    } else {
        // Perhaps only the colour is missing because the lamp is already there.
        for (const Circuit& circuit : line.job.circuits) {
            const std::string lower = lowered(line.rest);
            if (lower.starts_with(lowered(circuit.name)) ||
                lower.starts_with(lowered(circuit.name.substr(0, circuit.name.find(' '))))) {
                present = &circuit.rows.front().lamps.front().part;
            }
        }
        const auto again = lampWords(line, present);
        if (!again) return tl::unexpected(again.error());
        made = *again;
    }
    called = joined(made.names);
    if (called.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp? Write it like lamp rear red 2.0V 20mA."));
    }
    const LampSite* site = siteNamed(line.job, called);
    const std::string lampName = site ? site->name : called;
    if (const Circuit* circuit = circuitNamed(line.job, lampName)) {
        if (!made.part && !made.target) {
            return refuse(ErrorCode::Missing,
                          text("%1 is there already. Say what it is, like: lamp %1 red 2.0V 20mA.",
                               circuit->name));
        }
        Jotted result =
            jotted(line, Stage::Lamps,
                   made.part ? text("%1 is %2", circuit->name, made.part->name)
                             : text("%1 for %2", circuit->name, formatted(*made.target)));
        result.subject = circuit->name;
        for (Circuit& each : result.after.circuits) {
            if (each.name != lampName) continue;
            if (made.target) each.wish.target = *made.target;
            if (!made.part) continue;
            for (LampRow& row : each.rows) {
                for (Lamp& one : row.lamps) {
                    one.part = *made.part;
                    one.measured = made.measured;
                }
            }
        }
        return result;
    }
    if (!made.part) {
        const LampPart* usual = lampNamed(line.catalogue, "warm-white-3mm");
        if (usual)
            made.part = *usual;
        else
            made.part = LampPart{"", "white LED", LedFamily::White, {}, {}, {}, {}, ""};
    }
    const Lamp one = placed(line.job, site, lampName, *made.part, made.measured);
    const std::string output = outputFor(line.job, made.output, one.facing);
    if (output.empty()) {
        std::string known = supplyOutput;
        if (line.job.decoder) {
            for (const DecoderOutput& each : line.job.decoder->outputs) {
                known += ", " + each.name + " (" + each.wire + ")";
            }
        }
        return refuse(ErrorCode::Unknown,
                      text("No output goes by “%1”. There are: %2.", made.output, known));
    }
    const auto same = std::find_if(line.job.circuits.begin(), line.job.circuits.end(),
                                   [&](const Circuit& c) { return c.output == output; });
    if (same != line.job.circuits.end() && output != supplyOutput) {
        Jotted result = jotted(
            line, Stage::Lamps,
            text("%1 (%2) beside %3 on output %4", lampName, made.part->name, same->name, output));
        result.subject = same->name;
        result.after.circuits[static_cast<std::size_t>(same - line.job.circuits.begin())]
            .rows.push_back({{one}, std::nullopt});
        return result;
    }
    Circuit circuit;
    circuit.name = lampName;
    circuit.output = output;
    if (made.target) circuit.wish.target = *made.target;
    circuit.rows.push_back({{one}, std::nullopt});
    Jotted result =
        jotted(line, Stage::Lamps,
               output == supplyOutput
                   ? text("New lamp: %1, %2, on the supply", lampName, made.part->name)
                   : text("New lamp: %1, %2, on output %3", lampName, made.part->name, output));
    result.subject = lampName;
    result.after.circuits.push_back(std::move(circuit));
    return result;
}

/// "parallel front red", "inline front red": another lamp beside or behind those of a circuit.
Result<Jotted> anotherLamp(const Line& line, bool inSeries) {
    const auto words = lampWords(line, nullptr);
    if (!words) return tl::unexpected(words.error());
    const auto address = addressed(line.job, joined(words->names));
    if (!address) return tl::unexpected(address.error());
    const Circuit& circuit = line.job.circuits[address->circuit];
    const Lamp& like = circuit.rows[address->row].lamps.back();
    Lamp one = like;
    if (words->part) {
        one.part = *words->part;
        one.measured = words->measured;
    }
    one.at.x += one.facing == Facing::Rear ? Millimetres{-2} : Millimetres{2};
    Jotted result = jotted(line, Stage::Lamps,
                           inSeries ? text("%1 in series with %2", one.part.name, circuit.name)
                                    : text("%1 parallel to %2", one.part.name, circuit.name));
    result.subject = circuit.name;
    std::vector<LampRow>& rows = result.after.circuits[address->circuit].rows;
    if (inSeries)
        rows[address->row].lamps.push_back(std::move(one));
    else
        rows.push_back({{std::move(one)}, std::nullopt});
    return result;
}
Result<Jotted> parallel(const Line& line) { return anotherLamp(line, false); }
Result<Jotted> inlineLamp(const Line& line) { return anotherLamp(line, true); }

/// NAME … VALUE: the last word is the value, what stands before it names the circuit.
struct NamedValue {
    RowAddress address;
    std::string value;
};
Result<NamedValue> namedValue(const Line& line, const char* example) {
    if (line.words.size() < 2) {
        return refuse(ErrorCode::Missing, text("Which lamp, and what? Write it like %1.", example));
    }
    const auto address =
        addressed(line.job, joined(std::span(line.words.begin(), line.words.end() - 1)));
    if (!address) return tl::unexpected(address.error());
    return NamedValue{*address, line.words.back()};
}

Result<Jotted> resistor(const Line& line) {
    const auto named = namedValue(line, "resistor front 2k2");
    if (!named) return tl::unexpected(named.error());
    std::optional<Ohms> value;
    if (lowered(named->value) != "open") {
        const auto read = lowered(named->value) == "none"
                              ? Result<Ohms>(Ohms{0})
                              : notNegative<Ohms>(named->value, mostOhms);
        if (!read) return tl::unexpected(read.error());
        value = *read;
    }
    const Circuit& circuit = line.job.circuits[named->address.circuit];
    Text meaning = !value             ? text("%1: resistor not chosen", circuit.name)
                   : *value > Ohms{0} ? text("%1: resistor %2", circuit.name, formatted(*value))
                                      : text("%1: no resistor", circuit.name);
    Jotted result = jotted(line, Stage::Lamps, std::move(meaning));
    result.subject = circuit.name;
    std::vector<LampRow>& rows = result.after.circuits[named->address.circuit].rows;
    if (named->address.wholeCircuit) {
        for (LampRow& row : rows) row.resistor = value;
    } else {
        rows[named->address.row].resistor = value;
    }
    return result;
}

Result<Jotted> shared(const Line& line) {
    const auto named = namedValue(line, "shared front 330");
    if (!named) return tl::unexpected(named.error());
    const auto value = lowered(named->value) == "none" ? Result<Ohms>(Ohms{0})
                                                       : notNegative<Ohms>(named->value, mostOhms);
    if (!value) return tl::unexpected(value.error());
    const Circuit& circuit = line.job.circuits[named->address.circuit];
    Jotted result =
        jotted(line, Stage::Lamps, text("%1: shared resistor %2", circuit.name, formatted(*value)));
    result.subject = circuit.name;
    result.after.circuits[named->address.circuit].shared = *value;
    return result;
}

Result<Jotted> target(const Line& line) {
    const auto named = namedValue(line, "target front 3mA");
    if (!named) return tl::unexpected(named.error());
    const auto value = positive<Amperes>(named->value, Amperes{1});
    if (!value) return tl::unexpected(value.error());
    const Circuit& circuit = line.job.circuits[named->address.circuit];
    Jotted result =
        jotted(line, Stage::Lamps, text("%1: wished current %2", circuit.name, formatted(*value)));
    result.subject = circuit.name;
    result.after.circuits[named->address.circuit].wish.target = *value;
    return result;
}

Result<Jotted> series(const Line& line) {
    const auto named = namedValue(line, "series front E24");
    if (!named) return tl::unexpected(named.error());
    std::string wanted = named->value;
    if (wanted.starts_with("e")) wanted.front() = 'E';
    const auto value = oneOf<Series>(wanted, seriesNamed, "E6, E12, E24, E96");
    if (!value) return tl::unexpected(value.error());
    const Circuit& circuit = line.job.circuits[named->address.circuit];
    Jotted result =
        jotted(line, Stage::Lamps, text("%1: resistors of series %2", circuit.name, wanted));
    result.subject = circuit.name;
    result.after.circuits[named->address.circuit].wish.series = *value;
    return result;
}

Result<Jotted> output(const Line& line) {
    if (line.words.size() < 2) {
        return refuse(ErrorCode::Missing, text("Which output, and what was found? Write it like "
                                               "output front 680R, output front bare."));
    }
    const std::string wanted = lowered(joined(std::span(line.words.begin(), line.words.end() - 1)));
    const auto value = lowered(line.words.back()) == "bare"
                           ? Result<Ohms>(Ohms{0})
                           : notNegative<Ohms>(line.words.back(), Ohms{100000});
    if (!value) return tl::unexpected(value.error());
    Jotted result = jotted(line, Stage::Lamps, {});
    if (result.after.decoder) {
        for (DecoderOutput& each : result.after.decoder->outputs) {
            if (lowered(each.name) != wanted && lowered(each.wire) != wanted) continue;
            each.series = *value;
            each.seriesMeasured = line.today;
            result.meaning = *value > Ohms{0} ? text("Output %1 carries %2 on the board", each.name,
                                                     formatted(*value))
                                              : text("Output %1 is bare", each.name);
            for (const Circuit& circuit : line.job.circuits) {
                if (circuit.output == each.name) result.subject = circuit.name;
            }
            return result;
        }
    }
    return refuse(ErrorCode::Unknown, text("The decoder has no output “%1”.", wanted));
}

Result<Jotted> place(const Line& line) {
    std::vector<std::string> words = line.words;
    const auto lengths = taken(words, Dimension::Length);
    if (lengths.size() != 2 || words.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Give the way back from the front and the height over "
                           "the rail. Write it like place front 3mm 41mm."));
    }
    const auto address = addressed(line.job, joined(words));
    if (!address) return tl::unexpected(address.error());
    const auto x = notNegative<Millimetres>(lengths[0], Millimetres{3000});
    const auto z = notNegative<Millimetres>(lengths[1], Millimetres{3000});
    if (!x) return tl::unexpected(x.error());
    if (!z) return tl::unexpected(z.error());
    const Circuit& circuit = line.job.circuits[address->circuit];
    Jotted result =
        jotted(line, Stage::Lamps,
               text("%1: %2 from the front, %3 up", circuit.name, formatted(*x), formatted(*z)));
    result.subject = circuit.name;
    LampRow& row = result.after.circuits[address->circuit].rows[address->row];
    const Point from = row.lamps.front().at;
    for (Lamp& each : row.lamps) {
        each.at.x += *x - from.x;
        each.at.z += *z - from.z;
    }
    return result;
}

Result<Jotted> removeThing(const Line& line) {
    const std::string wanted = lowered(line.rest);
    for (const auto& [word, condition] :
         {std::pair{"stall", MotorCondition::Stalled}, std::pair{"slip", MotorCondition::Slipping},
          std::pair{"haul", MotorCondition::Hauling}, std::pair{"light", MotorCondition::Light}}) {
        if (wanted != word) continue;
        Jotted result = jotted(line, Stage::Measure, text("Last %1 reading removed", word));
        if (result.after.motor) {
            auto& readings = result.after.motor->readings;
            for (auto it = readings.rbegin(); it != readings.rend(); ++it) {
                if (it->condition != condition) continue;
                readings.erase(std::next(it).base());
                return result;
            }
        }
        return refuse(ErrorCode::Unknown, text("There is no %1 reading to remove.", word));
    }
    if (wanted == "ohms" && line.job.motor && !line.job.motor->windings.empty()) {
        Jotted result = jotted(line, Stage::Measure, text("Last winding reading removed"));
        result.after.motor->windings.pop_back();
        return result;
    }
    const auto address = addressed(line.job, line.rest);
    if (!address) return tl::unexpected(address.error());
    const std::string called = line.job.circuits[address->circuit].name;
    Jotted result = jotted(line, Stage::Lamps, {});
    auto& circuits = result.after.circuits;
    auto& rows = circuits[address->circuit].rows;
    if (address->wholeCircuit || rows.size() == 1) {
        circuits.erase(circuits.begin() + static_cast<std::ptrdiff_t>(address->circuit));
        result.meaning = text("%1 removed", called);
    } else {
        rows.erase(rows.begin() + static_cast<std::ptrdiff_t>(address->row));
        result.meaning = text("Row %1 of %2 removed", std::to_string(address->row + 1), called);
        result.subject = called;
    }
    return result;
}

// ---- the record -------------------------------------------------------------------------------

Result<Jotted> note(const Line& line) {
    if (line.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("What is to be noted? Write it like note clip broken rear left."));
    }
    Jotted result = jotted(line, Stage::Measure, text("Note"));
    result.after.notes.push_back({line.today, line.rest});
    return result;
}

Result<Jotted> timeSpent(const Line& line) {
    std::vector<std::string> words = line.words;
    // At the bench "25m" is minutes; for every other quantity m stays milli or metre.
    for (std::string& word : words) {
        if (startsNumeric(word) && word.back() == 'm' && word.size() > 1 &&
            word[word.size() - 2] >= '0' && word[word.size() - 2] <= '9') {
            word += "in";
        }
    }
    const auto times = taken(words, Dimension::Time);
    if (times.size() != 1 || words.empty()) {
        return refuse(ErrorCode::Missing,
                      text("How long, on what? Write it like time 25m wiring."));
    }
    const auto time = positive<Seconds>(times.front(), Seconds{200 * 3600});
    if (!time) return tl::unexpected(time.error());
    Jotted result = jotted(
        line, Stage::Measure,
        text("%1 min on %2", formatted(time->value() / 60, Dimension::Ratio, 3), joined(words)));
    result.after.times.push_back({line.today, joined(words), *time});
    return result;
}

Result<Jotted> nameJob(const Line& line) {
    if (line.rest.empty() || line.rest.size() > 400) {
        return refuse(ErrorCode::OutOfRange,
                      text("A name is 1 to 400 bytes long. Write it like name Tern."));
    }
    Jotted result = jotted(line, Stage::Measure, text("Name: %1", line.rest));
    result.after.name = line.rest;
    return result;
}

Result<Jotted> owner(const Line& line) {
    Jotted result = jotted(line, Stage::Measure,
                           line.rest.empty() ? text("No owner") : text("Owner: %1", line.rest));
    result.after.owner = line.rest;
    return result;
}

Result<Jotted> scale(const Line& line) {
    std::string wanted = line.rest;
    for (char& c : wanted) c = static_cast<char>(std::toupper(static_cast<unsigned char>(c)));
    const auto chosen = oneOf<Scale>(wanted, scaleNamed, "Z, N, TT, H0, 0, 1, G");
    if (!chosen) return tl::unexpected(chosen.error());
    Jotted result =
        jotted(line, Stage::Measure,
               text("Scale: %1, 1:%2", chosen->name, formatted(chosen->ratio, Dimension::Ratio)));
    result.after.scale = *chosen;
    // A body that is still the usual one of its kind becomes the usual one of the new scale.
    const Body& body = line.job.body;
    if (body == bodyTemplate(body.kind, usualLength(body.kind, line.job.scale.ratio))) {
        result.after.body = bodyTemplate(body.kind, usualLength(body.kind, chosen->ratio));
    }
    return result;
}

Result<Jotted> length(const Line& line) {
    const auto value = positive<Millimetres>(line.rest, Millimetres{3000});
    if (!value) return tl::unexpected(value.error());
    const Body& body = line.job.body;
    if (body != bodyTemplate(body.kind, body.length)) {
        return refuse(
            ErrorCode::OutOfRange,
            text("%1 has a profile of its own; its length comes from that.", line.job.name));
    }
    Jotted result = jotted(line, Stage::Measure, text("Length: %1", formatted(*value)));
    result.after.body = bodyTemplate(body.kind, *value);
    return result;
}

struct Verb {
    const char* word;
    Result<Jotted> (*read)(const Line&);
    JotForm form;
};
const std::array<Verb, 25> verbs{{
    {"stall", stall, {"stall AMPS VOLTS", "stall 1.15A 12V", "a stall test: a second at the most"}},
    {"slip", slip, {"slip AMPS [VOLTS]", "slip 420mA", "held back until the wheels slip"}},
    {"haul", haul, {"haul AMPS [VOLTS]", "haul 350mA 12V", "with its usual train"}},
    {"light", light, {"light AMPS [VOLTS]", "light 180mA 12V", "running alone at medium speed"}},
    {"ohms",
     ohms,
     {"ohms OHMS", "ohms 9.8", "the winding, motor disconnected; several rotor positions"}},
    {"track", track, {"track VOLTS", "track 14.8V", "track or supply volts, measured"}},
    {"supply", supply, {"supply KIND", "supply dcc", "dcc, dc or battery"}},
    {"rectifier",
     rectifier,
     {"rectifier VOLTS", "rectifier 1.1V", "drop of the decoder's rectifier, measured"}},
    {"bridge", bridge, {"bridge VOLTS", "bridge 0.3V", "drop of the motor bridge, measured"}},
    {"switch", switchDrop, {"switch VOLTS", "switch 0.1V", "drop of a lit output, measured"}},
    {"motor",
     motor,
     {"motor KIND [FRAME]", "motor open-frame frame-return", "what kind of motor it is"}},
    {"rule",
     rule,
     {"rule NAME", "rule strict", "how ratings are held against the motor: strict, slip, running"}},
    {"decoder",
     decoder,
     {"decoder NAME", "decoder four-wire-1.0",
      "fit a decoder of the catalogue; none takes it out"}},
    {"lamp",
     lamp,
     {"lamp PLACE COLOUR [VOLTS AMPS] [on OUTPUT]", "lamp rear red 2.0V 20mA",
      "a new lamp, or what the one there is"}},
    {"parallel",
     parallel,
     {"parallel LAMP [COLOUR]", "parallel front white",
      "another lamp beside it with its own resistor"}},
    {"inline",
     inlineLamp,
     {"inline LAMP [COLOUR]", "inline front red", "another lamp in series with it"}},
    {"resistor",
     resistor,
     {"resistor LAMP OHMS", "resistor front 2k2",
      "fit a resistor; none for no resistor, open for not chosen"}},
    {"shared",
     shared,
     {"shared LAMP OHMS", "shared front 330", "one resistor for the whole circuit"}},
    {"target",
     target,
     {"target LAMP AMPS", "target front 3mA", "the current, so the brightness, that is wished"}},
    {"series", series, {"series LAMP NAME", "series front E24", "preferred values to choose from"}},
    {"output",
     output,
     {"output NAME OHMS", "output front 680R",
      "resistor found on the decoder's board; bare for none"}},
    {"place", place, {"place LAMP BACK UP", "place front 3mm 41mm", "where the lamp sits"}},
    {"remove",
     removeThing,
     {"remove WHAT", "remove rear lamp",
      "a lamp, a row (front/2), or the last stall, slip, haul, light, ohms"}},
    {"note", note, {"note WORDS", "note clip broken rear left", "anything worth remembering"}},
    {"time", timeSpent, {"time TIME WORK", "time 25m wiring", "time spent"}},
}};
const std::array<Verb, 4> recordVerbs{{
    {"name", nameJob, {"name WORDS", "name No. 4 Ling", "rename the job"}},
    {"owner", owner, {"owner WORDS", "owner R. Tide", "whose it is"}},
    {"scale", scale, {"scale NAME", "scale N", "Z, N, TT, H0, 0, 1 or G"}},
    {"length", length, {"length LENGTH", "length 142mm", "over the buffers; the picture follows"}},
}};

/// Levenshtein distance, for "did you mean".
std::size_t distance(const std::string& a, const std::string& b) {
    std::vector<std::size_t> row(b.size() + 1);
    for (std::size_t j = 0; j <= b.size(); ++j) row[j] = j;
    for (std::size_t i = 1; i <= a.size(); ++i) {
        std::size_t diagonal = row[0];
        row[0] = i;
        for (std::size_t j = 1; j <= b.size(); ++j) {
            const std::size_t substituted = diagonal + (a[i - 1] == b[j - 1] ? 0 : 1);
            diagonal = row[j];
            row[j] = std::min({row[j] + 1, row[j - 1] + 1, substituted});
        }
    }
    return row.back();
}

}  // namespace

std::span<const JotForm> jotForms() {
    static const std::vector<JotForm> forms = [] {
        std::vector<JotForm> all;
        for (const Verb& verb : verbs) all.push_back(verb.form);
        for (const Verb& verb : recordVerbs) all.push_back(verb.form);
        return all;
    }();
    return forms;
}

Result<Jotted> understood(std::string_view typed, const Job& job, const Catalogue& catalogue,
                          const std::string& today) {
    constexpr std::size_t longest = 100000;
    if (typed.size() > longest) {
        return refuse(ErrorCode::OutOfRange,
                      text("A line is at most %1 bytes long.", std::to_string(longest)));
    }
    const auto first = typed.find_first_not_of(" \t");
    if (first == std::string_view::npos) {
        return refuse(ErrorCode::Missing,
                      text("Type what you just measured, like stall 1.15A 12V."));
    }
    typed.remove_prefix(first);
    const auto blank = typed.find_first_of(" \t");
    const std::string word = lowered(std::string(typed.substr(0, blank)));
    std::string rest = blank == std::string_view::npos ? "" : std::string(typed.substr(blank + 1));
    while (!rest.empty() && (rest.back() == ' ' || rest.back() == '\t')) rest.pop_back();
    rest.erase(0, std::min(rest.find_first_not_of(" \t"), rest.size()));

    const Verb* nearest = nullptr;
    std::size_t least = 3;
    const auto search = [&](const auto& list) -> const Verb* {
        for (const Verb& verb : list) {
            if (word == verb.word) return &verb;
            const std::size_t away = distance(word.substr(0, 24), verb.word);
            if (away < least) {
                least = away;
                nearest = &verb;
            }
        }
        return nullptr;
    };
    const Verb* verb = search(verbs);
    if (!verb) verb = search(recordVerbs);
    if (!verb) {
        if (nearest) {
            return refuse(ErrorCode::NotUnderstood,
                          text("“%1” means nothing here. Did you mean %2? Write it like %3.",
                               word.substr(0, 40), nearest->word, nearest->form.example));
        }
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” means nothing here. F1 lists what can be typed; for a remark write "
                 "note %1 ….",
                 word.substr(0, 40)));
    }
    return verb->read(Line{wordsOf(rest), rest, job, catalogue, today});
}

}  // namespace glimmet::core
