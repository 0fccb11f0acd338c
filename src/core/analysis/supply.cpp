#include "core/analysis/supply.h"

#include "core/power/battery.h"

#include <algorithm>
#include <numbers>

namespace glimmet::core {
namespace {

constexpr Volts schottkyBridge{0.7};  // two of 0.3 … 0.45 V (docs/physics.md)

Figure given(Text name, const char* symbol, const std::optional<Measured<Volts>>& measured,
             Volts usual, Text why, const char* jot) {
    if (measured)
        return figures::measured(std::move(name), symbol, measured->value, measured->on, {}, jot);
    return figures::assumed(std::move(name), symbol, usual, std::move(why), jot);
}

constexpr Volts packRectifier{1.4};  // two silicon diodes at a pack's currents (docs/physics.md)
constexpr Volts throttlePeak{18};    // of a plain throttle without a regulator, open

/// A decoder's rectifier: of the one that is there, or of the one that a motor on digital track
/// will get. A coach or a building has none.
bool rectified(const Job& job) { return job.decoder || (isDigital(job.feed) && hasMotor(job)); }

/// Where nobody read the volts.
Volts usualTrack(const Job& job) {
    // Ratings and lamps meet a battery when it is just charged.
    const bool known = job.feed == Feed::BatteryRadio && job.supply.pack;
    return known ? voltsOf(*job.supply.pack).full : usualVolts(job.feed, job.scale);
}
/// Where nobody read the drop.
Volts usualRectifier(const Job& job, const WorkshopRules& house) {
    // A pack past the rectifier loses nothing; where nobody said, currents are judged so, and what
    // is dark by the drop that there may be (spread of a group).
    if (job.feed == Feed::BatteryRadio && job.decoder)
        return job.supply.packOn == PackOn::Rails ? packRectifier : Volts{0};
    if (rectified(job)) return house.rectifier;
    const auto& bridge = job.supply.lampBridge;
    if (!bridge) return Volts{0};
    return *bridge == LampBridge::Silicon ? house.rectifier : schottkyBridge;
}

Volts readOr(const std::optional<Measured<Volts>>& measured, Volts usual) {
    return measured ? measured->value : usual;
}

}  // namespace

Figure trackFigure(const Job& job) {
    const Volts usual = usualTrack(job);
    switch (job.feed) {
        case Feed::TwoRailDcc:
        case Feed::ThreeRailDigital:
            return given(text("Track volts"), "V_track", job.supply.volts, usual,
                         text("usual on %1 track", job.scale.name), "track ");
        case Feed::PlainDc:
        case Feed::FixedDc:
            return given(text("Supply volts"), "V_track", job.supply.volts, usual,
                         text("a usual DC supply"), "track ");
        case Feed::Ac:
            return given(text("Supply volts, AC"), "V_track", job.supply.volts, usual,
                         text("a usual AC output, as a meter reads it"), "track ");
        case Feed::BatteryRadio:
            break;
    }
    return given(text("Battery volts"), "V_track", job.supply.volts, usual,
                 job.supply.pack ? text("its battery just charged") : text("a fresh 9 V block"),
                 "track ");
}

Figure rectifierFigure(const Job& job, const WorkshopRules& house) {
    const auto& bridge = job.supply.lampBridge;
    return given(text("Rectifier drop"), "V_rect", job.supply.rectifier, usualRectifier(job, house),
                 job.feed == Feed::BatteryRadio && job.decoder && job.supply.packOn != PackOn::Rails
                     ? (job.supply.packOn ? text("past the rectifier, on the battery terminals")
                                          : text("as on battery terminals; on red and black 1.4 V"))
                 : !rectified(job) && !bridge ? text("no rectifier in the way")
                 : rectified(job) || *bridge == LampBridge::Silicon ? text("two silicon diodes")
                                                                    : text("two Schottky diodes"),
                 "rectifier ");
}

Figure bridgeFigure(const Job& job, const WorkshopRules& house) {
    return given(text("Motor bridge drop"), "V_bridge", job.supply.bridge, house.bridge,
                 text("usual for a decoder's motor bridge"), "bridge ");
}

Figure switchFigure(const Job& job, const WorkshopRules& house) {
    return given(text("Output switch drop"), "V_switch", job.supply.outputSwitch,
                 house.outputSwitch, text("usual at lamp currents"), "switch ");
}

Figure spreadFigure(const Job& job, const WorkshopRules& house) {
    const Text name = text("Spread of the supply");
    return job.own.supplySpread ? figures::chosen(name, "spread", house.supplySpread,
                                                  text("for this job"), "spread ")
                                : figures::assumed(name, "spread", house.supplySpread,
                                                   text("from place to place"), "spread ");
}

Figure busFigure(const Job& job, const WorkshopRules& house) {
    Figure crest = crestFigure(job);
    Figure rectifier = rectifierFigure(job, house);
    const Volts bus{*crest.value - *rectifier.value};
    const std::string formula = crest.symbol + " − V_rect";
    return figures::computed(isWave(job) ? text("Lamp bus at the crest") : text("Lamp bus"),
                             "V_bus", bus, formula, {std::move(crest), std::move(rectifier)});
}

Figure crestFigure(const Job& job) {
    Figure track = trackFigure(job);
    if (job.feed != Feed::Ac) return track;
    return figures::computed(text("Supply volts at the crest"), "V_crest", crestVolts(job),
                             "√2 · V_track", {std::move(track)});
}

Volts trackVolts(const Job& job) { return readOr(job.supply.volts, usualTrack(job)); }

Volts crestVolts(const Job& job) {
    return job.feed == Feed::Ac ? trackVolts(job) * std::numbers::sqrt2 : trackVolts(job);
}

Volts peakVolts(const Job& job, const WorkshopRules& house) {
    Volts top = crestVolts(job) * (1 + house.supplySpread);
    if (job.feed == Feed::PlainDc) top = std::max(top, throttlePeak);
    if (job.feed == Feed::ThreeRailDigital && job.supply.pulse)
        top = std::max(top, *job.supply.pulse * std::numbers::sqrt2);
    return top;
}

Volts mayDrop(const Job& job) {
    const bool open = job.feed == Feed::BatteryRadio && job.decoder && !job.supply.packOn &&
                      !job.supply.rectifier;
    return open ? packRectifier : Volts{0};
}

Volts switchVolts(const Job& job, const WorkshopRules& house) {
    return readOr(job.supply.outputSwitch, house.outputSwitch);
}

MotorSupply motorSupply(const Job& job, const WorkshopRules& house) {
    return {crestVolts(job), readOr(job.supply.rectifier, usualRectifier(job, house)),
            readOr(job.supply.bridge, house.bridge)};
}

Volts busVolts(const Job& job, const WorkshopRules& house) {
    return crestVolts(job) - readOr(job.supply.rectifier, usualRectifier(job, house));
}

bool turnsRound(const Job& job) {
    return !job.decoder && (alternates(job.feed) || job.feed == Feed::PlainDc);
}

bool isWave(const Job& job) {
    return job.feed == Feed::Ac && !job.decoder && (reverses(job) || !job.supply.smoothing);
}

bool reverses(const Job& job) {
    return turnsRound(job) && !job.supply.rectifier && !job.supply.lampBridge;
}

}  // namespace glimmet::core
