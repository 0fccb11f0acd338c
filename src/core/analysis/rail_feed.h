// What feeds lamps that hang straight on the rails: a bridge, the capacitor behind it, and how long
// that carries them where the rails give nothing.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/figure.h"
#include "core/stay_alive/hold.h"

#include <optional>
#include <vector>

namespace glimmet::core {

// What is assumed; sources in docs/physics.md.
inline constexpr Seconds edgeGap{10e-6};  ///< at every polarity change of digital track
inline constexpr Seconds dirtGap{10e-3};  ///< a speck of dirt
/// How long a supply that turns round gives nothing to speak of.
[[nodiscard]] constexpr Seconds turnGap(Feed feed, Mains mains) {
    return feed == Feed::Ac ? halfOf(mains) : edgeGap;
}
inline constexpr Amperes chipDraws{1e-3};        ///< a blinker's chip by itself
inline constexpr double leastCapacitance = 0.8;  ///< of what is printed
inline constexpr double ceramicAtVolts = 0.5;    ///< of it, near its rated volts

struct RailFeed {
    BusLoads loads;  ///< every lamp on the supply, and the chips in them
    Amperes total{};
    Volts bus{};   ///< behind the bridge, typical
    Volts peak{};  ///< what a capacitor there is charged to at the most
    Volts half{};  ///< bus volts at which the first lamp has half of its light left
};
/// Nothing where no lamp hangs on rails without a decoder, or none is lit.
[[nodiscard]] const std::optional<RailFeed>& railFeed(const JobAnalysis& facts);

/// What a capacitor has at the least.
[[nodiscard]] Farads leastOf(const Smoothing& smoothing);
/// How long a capacitance keeps the bus above volts; nothing: for good, because the lamps draw
/// nothing there any more. `charge`: there is a resistor with a diode past it.
[[nodiscard]] std::optional<Seconds> carriedFor(const RailFeed& feed, Farads capacitance,
                                                bool charge, Volts above);
/// The capacitance that carries them over a gap. C = t / t(1 F): the time grows with it.
[[nodiscard]] Farads capacitanceOver(const RailFeed& feed, Seconds gap, bool charge, Volts above);

/// How many times what it is charged to a capacitor should be rated (docs/physics.md).
[[nodiscard]] double voltsMargin(const Smoothing& smoothing);

/// The smallest usual electrolytic that carries at least so much at those volts, with a charge
/// resistor where it is large. Nothing: none is.
[[nodiscard]] std::optional<Smoothing> usualCapacitor(Farads least, Volts peak);
/// "smoothing 330uF 25V charge 47R".
[[nodiscard]] std::string smoothingLine(const Smoothing& smoothing);
/// "330 µF 25 V electrolytic, charge resistor 47 Ω".
[[nodiscard]] std::string shown(const Smoothing& smoothing);

/// From here on a bare capacitor takes a spike at power-up that a booster may take for a short.
inline constexpr Farads sparksFrom{100e-6};
inline constexpr Ohms usualLimit{47};

/// Bus volts and light over a gap of the rails, for the panel.
struct GapMoment {
    Seconds time{};
    Volts bus{};
    double light = 0;  ///< of the dimmest lamp, of what it gives on the rails
};
struct GapChart {
    RailFeed feed;
    std::vector<GapMoment> trace;  ///< from the loss of contact on
    Seconds shown{};
    std::optional<Seconds>
        dims;  ///< until the first lamp has half its light; nothing: later than shown
    std::optional<Volts> chipResets;  ///< the highest volts at which a blinker begins anew
    std::optional<Seconds> chipTime;  ///< until then
};
[[nodiscard]] std::optional<GapChart> gapChart(const JobAnalysis& facts);

/// Bus volts below which the chip of a blinking row begins anew; nothing: none blinks.
[[nodiscard]] std::optional<Volts> chipNeeds(const LampRow& row);
/// How long a chip that needs so much has enough once the rails give nothing: 0 s without a
/// capacitor behind a bridge; nothing: for good.
[[nodiscard]] std::optional<Seconds> chipLasts(const JobAnalysis& facts, const RailFeed& feed,
                                               Volts needs);
/// Whether a row's chips come to blink at all: not where every polarity change sets them back.
[[nodiscard]] bool comesToBlink(const JobAnalysis& facts, const LampGroup& group,
                                const LampRow& row);

}  // namespace glimmet::core
