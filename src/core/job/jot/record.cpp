// Jots of the record: names, notes, times, and taking things out again.
#include "core/job/jot/address.h"
#include "core/job/jot/verbs.h"

#include <cctype>

namespace glimmet::core::jot {

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

Result<Jotted> note(const Line& line) {
    if (line.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("What is to be noted? Write it like note clip broken rear left."));
    }
    Jotted result = jotted(line, std::nullopt, text("Note"));
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
        line, std::nullopt,
        text("%1 min on %2", formatted(time->value() / 60, Dimension::Ratio, 3), joined(words)));
    result.after.times.push_back({line.today, joined(words), *time});
    return result;
}

Result<Jotted> nameJob(const Line& line) {
    if (line.rest.empty() || line.rest.size() > 400) {
        return refuse(ErrorCode::OutOfRange,
                      text("A name is 1 to 400 bytes long. Write it like name Tern."));
    }
    Jotted result = jotted(line, std::nullopt, text("Name: %1", line.rest));
    result.after.name = line.rest;
    return result;
}

Result<Jotted> owner(const Line& line) {
    Jotted result = jotted(line, std::nullopt,
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

}  // namespace glimmet::core::jot
