// Jots that choose parts: decoder, resistors, what an output carries.
#include "core/job/jot/address.h"
#include "core/job/jot/verbs.h"

namespace glimmet::core::jot {

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

}  // namespace glimmet::core::jot
