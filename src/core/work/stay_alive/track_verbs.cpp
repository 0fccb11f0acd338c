#include "core/work/stay_alive/track_verbs.h"

#include "core/analysis/stay_alive/places.h"
#include "core/track/trackwork.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {

using namespace jot;

namespace {

constexpr std::size_t mostSpots = 50;  // as the record keeps them
tl::unexpected<Error> tooMany() {
    return refuse(
        ErrorCode::OutOfRange,
        text("More than %1 dead places are not kept. Keep the worst.", std::to_string(mostSpots)));
}

/// "points 1:9", "three-way points 1:6", "crossing 1:6"
Text workWords(Trackwork work, const std::string& number) {
    switch (work) {
        case Trackwork::Points:
            break;
        case Trackwork::Curved:
            return text("Curved points %1", number);
        case Trackwork::ThreeWay:
            return text("Three-way points %1", number);
        case Trackwork::Crossing:
            return text("A crossing %1", number);
        case Trackwork::DoubleSlip:
            return text("A double slip %1", number);
    }
    return text("Points %1", number);
}
}  // namespace

/// Numbers that points come in; none takes every dead place of the layout away.
std::vector<Named> pointsNumbers(const Context&) {
    std::vector<Named> all;
    for (const int number : {3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 18}) {
        all.push_back({"1:" + std::to_string(number), {}, "points that part so"});
    }
    all.push_back({"none", {"no"}, "no dead place"});
    return all;
}
std::vector<Named> frogs(const Context&) {
    return {
        {"dead", {"insulated", "unpowered", "not powered", "plastic"}, "the frog gives no power"},
        {"live", {"powered", "electrified"}, "the frog gives power"}};
}
std::vector<Named> railNames(const Context&) {
    return {{"left", {}, "rail"},
            {"right", {}, "rail"},
            {"both", {}, "rails"},
            {"middle", {"centre", "studs"}, "rail of three, or studs"}};
}

std::vector<Named> trackworks(const Context&) {
    return {{"curved", {}, "both ways are curved"},
            {"three-way", {"three way", "threeway"}, "two branches at one place"},
            {"crossing", {"diamond"}, "two tracks that cross"},
            {"double-slip", {"double slip", "slip"}, "a crossing that one can turn off on"}};
}
Result<JotResult> points(const ParsedLine& said) {
    const std::string& id = *said.name("NUMBER");
    const auto length = said.one<Millimetres>("MM");
    const auto frog = said.name("FROG");
    const auto& kind = said.name("KIND");
    std::vector<DeadSpot> spots = said.context.job.layout.spots;
    if (id == "none") {
        if (length || frog || kind) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or points with a frog: only one of them can be."));
        }
        const Trackwork only = *named<Trackwork>(said.command.word);
        JotResult result =
            jotted(said, text("No %1 with a dead frog on its layout", said.command.word));
        std::erase_if(spots, [&](const DeadSpot& spot) {
            return spot.number > 0 && (only == Trackwork::Points || spot.work == only);
        });
        result.after.layout.spots = std::move(spots);
        return result;
    }
    DeadSpot spot;
    spot.number = std::stod(id.substr(2));
    spot.length = length;
    spot.work = *named<Trackwork>(kind ? *kind : said.command.word);
    const Text called = workWords(spot.work, id);
    const auto before = std::find_if(spots.begin(), spots.end(), [&](const DeadSpot& one) {
        return one.number > 0 && one.work == spot.work && std::abs(one.number - spot.number) < 1e-9;
    });
    if (frog == "live") {
        if (length) {
            return refuse(ErrorCode::NotUnderstood,
                          text("A live frog leaves nothing dead: no length goes with it."));
        }
        if (before != spots.end()) spots.erase(before);
        JotResult result =
            jotted(said, text("%1 with a live frog: they give power all along", called));
        result.after.layout.spots = std::move(spots);
        return result;
    }
    JotResult result = jotted(
        said, length ? text("%1: %2 of a rail are dead, by the ruler", called, formatted(*length))
                     : text("%1 with a dead frog: usually %2 of a rail", called,
                            formatted(usualFrog(spot.number, said.context.job.scale.ratio), 3)));
    if (before != spots.end())
        *before = spot;
    else
        spots.push_back(spot);
    if (spots.size() > mostSpots) return tooMany();
    result.after.layout.spots = std::move(spots);
    return result;
}

/// "frog 28mm": of the points that are told, else of those whose usual frog is nearest.
Result<JotResult> frog(const ParsedLine& said) {
    const Millimetres length = *said.one<Millimetres>("MM");
    std::vector<DeadSpot> spots = said.context.job.layout.spots;
    const auto isPoints = [](const DeadSpot& spot) {
        return spot.number > 0 && spot.work == Trackwork::Points;
    };
    const auto told = std::count_if(spots.begin(), spots.end(), isPoints);
    if (told > 1) {
        return refuse(ErrorCode::Missing,
                      text("Of which points? Write it like points 1:6 %1.", formatted(length)));
    }
    double number = 0;
    if (told == 1) {
        DeadSpot& spot = *std::find_if(spots.begin(), spots.end(), isPoints);
        spot.length = length;
        number = spot.number;
    } else {
        double nearest = 1e9;
        for (const double each : {3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 18}) {
            const double apart =
                std::abs((usualFrog(each, said.context.job.scale.ratio) - length).value());
            if (apart < nearest) {
                nearest = apart;
                number = each;
            }
        }
        spots.push_back({number, Trackwork::Points, {}, length});
        if (spots.size() > mostSpots) return tooMany();
    }
    JotResult result = jotted(said, text("A dead frog of %1 by the ruler, as of points 1:%2",
                                         formatted(length), formatted(number, Dimension::Ratio)));
    result.after.layout.spots = std::move(spots);
    return result;
}

Result<JotResult> gap(const ParsedLine& said) {
    const auto length = said.one<Millimetres>("MM");
    const auto& rail = said.name("RAIL");
    std::vector<DeadSpot> spots = said.context.job.layout.spots;
    if (said.name("none")) {
        if (length || rail) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or a gap: only one of them can be."));
        }
        JotResult result = jotted(said, text("No gaps in the rails of its layout"));
        std::erase_if(spots, [](const DeadSpot& spot) { return !(spot.number > 0); });
        result.after.layout.spots = std::move(spots);
        return result;
    }
    if (!length) {
        return refuse(ErrorCode::Missing, text("How long? Write it like gap 28mm left."));
    }
    if (!rail) {
        return refuse(ErrorCode::Missing,
                      text(said.context.job.feed == Feed::ThreeRailDigital
                               ? "In which rail: left, right, both or middle? Write it like gap "
                                 "28mm middle."
                               : "In which rail: left, right or both? Write it like gap 28mm "
                                 "left."));
    }
    DeadSpot spot;
    spot.length = length;
    spot.rail = *named<Rails>(*rail);
    if (spot.rail == Rails::Middle && said.context.job.feed != Feed::ThreeRailDigital) {
        return refuse(ErrorCode::Unknown, text("Its track has two rails and no middle one."));
    }
    if (std::find(spots.begin(), spots.end(), spot) == spots.end()) spots.push_back(spot);
    if (spots.size() > mostSpots) return tooMany();
    JotResult result = jotted(
        said, *rail == "both"
                  ? text("A gap of %1 in both rails of its layout", formatted(*length))
                  : text("A gap of %1 in the %2 rail of its layout", formatted(*length), *rail));
    result.after.layout.spots = std::move(spots);
    return result;
}

Result<JotResult> creepAt(const ParsedLine& said) {
    // Typed in km/h, and shown so: what the conversion leaves behind the seventh figure goes.
    const double kmh = std::round(said.one<MetresPerSecond>("SPEED")->value() * 3.6e6) / 1e6;
    JotResult result = jotted(said, text("Goes over dead places of its layout at %1 km/h",
                                         formatted(kmh, Dimension::Ratio)));
    result.after.layout.kmh = kmh;
    return result;
}

Result<JotResult> coast(const ParsedLine& said) {
    const Millimetres distance = *said.one<Millimetres>("MM");
    const double kmh = creep(said.context.job).kmh;
    JotResult result = jotted(said, text("Rolls %1 once its motor is off, from %2 km/h",
                                         formatted(distance), formatted(kmh, Dimension::Ratio)));
    result.after.layout.coast = Coast{distance, kmh, said.context.today};
    return result;
}

std::vector<Named> dirtNames(const Context&) {
    return {{"clean", {"none"}, "no stutters"},
            {"little", {"rare", "a little"}, "one stutter in some 10 m"},
            {"often", {"some", "dirty"}, "one every metre"},
            {"bad", {"very dirty"}, "three every metre"}};
}
/// "dirt often", "dirt every 80cm", "dirt 3 per 2m"
Result<JotResult> dirtOn(const ParsedLine& said) {
    const auto every = said.one<Millimetres>("EVERY");
    const auto within = said.one<Millimetres>("WITHIN");
    const auto& count = said.at("COUNT").quantities;
    const auto& feel = said.name("FEEL");
    const int ways = (every ? 1 : 0) + (within || !count.empty() ? 1 : 0) + (feel ? 1 : 0);
    if (ways != 1 || within.has_value() == count.empty()) {
        return refuse(ErrorCode::Missing, text("How often does it stutter? Write it like %1 or %2.",
                                               said.command.examples[0], said.command.examples[1]));
    }
    double perMetre = 0;
    if (every) perMetre = 1 / Metres{*every}.value();
    if (within) perMetre = count.front() / Metres{*within}.value();
    if (feel)
        perMetre = *feel == "bad" ? 3.0 : *feel == "often" ? 1.0 : *feel == "little" ? 0.1 : 0.0;
    const std::string each = perMetre > 0 ? formatted(Metres{1 / perMetre}, 3) : std::string();
    const bool several = within && count.front() > 1;
    JotResult result = jotted(
        said, !(perMetre > 0) ? text("Without a bank no stutters")
              : several       ? text("Without a bank %1 stutters in %2, one every %3",
                                     formatted(count.front(), Dimension::Ratio), formatted(*within), each)
                              : text("Without a bank one stutter every %1", each));
    result.after.layout.dirt = Dirt{perMetre, said.context.today};
    return result;
}

std::vector<Named> noTrackNames(const Context&) { return {{"none", {"no"}, "without"}}; }

}  // namespace glimmet::core::stay_alive
