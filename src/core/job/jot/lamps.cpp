// Jots that put lamps into a model.
#include "core/job/jot/address.h"
#include "core/job/jot/verbs.h"

#include <algorithm>

namespace glimmet::core::jot {
namespace {

/// What a lamp line says, whatever it leaves out.
struct LampWords {
    std::optional<LampPart> part;       ///< its colour, or a part of the catalogue
    std::optional<ForwardPoint> point;  ///< measured at the bench
    std::optional<Amperes> target;
    std::vector<std::string> names;  ///< what is left: the site or circuit
    std::string output;
};

/// Sorts the words of a lamp line.
Result<LampWords> lampWords(const Line& line) {
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
        const bool noise = lower == "lamp" && made.names.empty();
        if (const LampPart* part = lampNamed(line.catalogue, word))
            made.part = *part;
        else if (const auto named = ledFamilyNamed(lower); named && !family)
            family = named;
        else if (lower == "warm" || lower == "cool")
            tint = lower;
        else if (!noise)
            made.names.push_back(word);
    }
    if (family && !made.part) {
        made.part = LampPart{};
        made.part->family = *family;
        made.part->tint = tint;
        made.part->name = (tint.empty() ? "" : tint + " ") + std::string(name(*family)) + " LED";
    }
    if (volts.size() == 1) {
        const auto voltage = positive<Volts>(volts.front(), Volts{20});
        const auto current = positive<Amperes>(amps.front(), Amperes{5});
        if (!voltage) return tl::unexpected(voltage.error());
        if (!current) return tl::unexpected(current.error());
        made.point = ForwardPoint{*voltage, *current};
    } else if (amps.size() == 1) {
        const auto current = positive<Amperes>(amps.front(), Amperes{1});
        if (!current) return tl::unexpected(current.error());
        made.target = *current;
    }
    return made;
}

/// The part with a measured point, if that is one an LED can have.
Result<LampPart> withPoint(LampPart part, const std::optional<ForwardPoint>& point) {
    if (!point) return part;
    part.forward = point;
    if (const auto possible = law(part); !possible) return tl::unexpected(possible.error());
    return part;
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

/// "parallel front red", "inline front red": another lamp beside or behind those of a circuit.
Result<Jotted> anotherLamp(const Line& line, bool inSeries) {
    const auto words = lampWords(line);
    if (!words) return tl::unexpected(words.error());
    const auto address = addressed(line.job, joined(words->names));
    if (!address) return tl::unexpected(address.error());
    const Circuit& circuit = line.job.circuits[address->circuit];
    Lamp one = circuit.rows[address->row].lamps.back();  // like its neighbour where nothing is said
    const auto part = withPoint(words->part.value_or(one.part), words->point);
    if (!part) return tl::unexpected(part.error());
    if (words->part || words->point) {
        one.part = *part;
        one.measured = words->point.has_value();
    }
    one.at.x += one.facing == Facing::Rear ? Millimetres{-2} : Millimetres{2};
    Jotted result = jotted(line, Stage::Lamps,
                           inSeries ? text("%1 in series with %2", one.part.name, circuit.name)
                                    : text("%1 parallel to %2", one.part.name, circuit.name));
    result.subject = circuit.name;
    std::vector<LampRow>& rows = result.after.circuits[address->circuit].rows;
    if (inSeries) {
        rows[address->row].lamps.push_back(std::move(one));
    } else {
        rows.push_back({{std::move(one)}, std::nullopt});
    }
    return result;
}

/// A lamp that is there already is described anew.
Result<Jotted> describedAnew(const Line& line, const LampWords& words, const std::string& called) {
    Jotted result = jotted(line, Stage::Lamps, {});
    result.subject = called;
    for (Circuit& circuit : result.after.circuits) {
        if (circuit.name != called) continue;
        if (words.target) {
            circuit.wish.target = *words.target;
            result.meaning = text("%1 for %2", called, formatted(*words.target));
        }
        for (LampRow& row : circuit.rows) {
            for (Lamp& one : row.lamps) {
                if (!words.part && !words.point) continue;
                const auto part = withPoint(words.part.value_or(one.part), words.point);
                if (!part) return tl::unexpected(part.error());
                one.part = *part;
                one.measured = words.point.has_value();
                result.meaning = text("%1 is %2", called, part->name);
            }
        }
    }
    if (result.meaning.empty()) {
        return refuse(
            ErrorCode::Missing,
            text("%1 is there already. Say what it is, like: lamp %1 red 2.0V 20mA.", called));
    }
    return result;
}

tl::unexpected<Error> noSuchOutput(const Job& job, const std::string& wanted) {
    std::string known = supplyOutput;
    if (job.decoder) {
        for (const DecoderOutput& each : job.decoder->outputs) {
            known += ", " + each.name + " (" + each.wire + ")";
        }
    }
    return refuse(ErrorCode::Unknown,
                  text("No output goes by “%1”. There are: %2.", wanted, known));
}

}  // namespace

Result<Jotted> lamp(const Line& line) {
    const auto words = lampWords(line);
    if (!words) return tl::unexpected(words.error());
    const std::string typed = joined(words->names);
    if (typed.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp? Write it like lamp rear red 2.0V 20mA."));
    }
    const LampSite* site = siteNamed(line.job, typed);
    const std::string called = site ? site->name : typed;
    if (circuitNamed(line.job, called)) return describedAnew(line, *words, called);

    if (words->point && !words->part) {
        return refuse(ErrorCode::Missing,
                      text("Which colour? Write it like lamp rear red 2.0V 20mA."));
    }
    const LampPart* usual = lampNamed(line.catalogue, "warm-white-3mm");
    LampPart white;
    white.name = "white LED";
    const auto part = withPoint(words->part.value_or(usual ? *usual : white), words->point);
    if (!part) return tl::unexpected(part.error());
    const Lamp one = placed(line.job, site, called, *part, words->point.has_value());
    const std::string output = outputFor(line.job, words->output, one.facing);
    if (output.empty()) return noSuchOutput(line.job, words->output);

    Jotted result = jotted(line, Stage::Lamps, {});
    for (Circuit& circuit : result.after.circuits) {
        if (circuit.output != output || output == supplyOutput) continue;
        result.meaning =
            text("%1 (%2) beside %3 on output %4", called, part->name, circuit.name, output);
        result.subject = circuit.name;
        circuit.rows.push_back({{one}, std::nullopt});
        return result;
    }
    Circuit circuit;
    circuit.name = called;
    circuit.output = output;
    if (words->target) circuit.wish.target = *words->target;
    circuit.rows.push_back({{one}, std::nullopt});
    result.meaning = output == supplyOutput
                         ? text("New lamp: %1, %2, on the supply", called, part->name)
                         : text("New lamp: %1, %2, on output %3", called, part->name, output);
    result.subject = called;
    result.after.circuits.push_back(std::move(circuit));
    return result;
}

Result<Jotted> parallel(const Line& line) { return anotherLamp(line, false); }
Result<Jotted> inlineLamp(const Line& line) { return anotherLamp(line, true); }

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

}  // namespace glimmet::core::jot
