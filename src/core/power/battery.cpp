#include "core/power/battery.h"

#include <array>

namespace glimmet::core {

PackVolts voltsOf(const BatteryPack& pack) {
    PackVolts cell;
    switch (pack.chemistry) {
        case Chemistry::LiIon:
            cell = {Volts{4.2}, Volts{3.7}, Volts{3.0}, Ohms{0.06}};
            break;
        case Chemistry::NiMH:
            cell = {Volts{1.4}, Volts{1.2}, Volts{1.0}, Ohms{0.03}};
            break;
        case Chemistry::Alkaline:
            cell = {Volts{1.5}, Volts{1.25}, Volts{0.9}, Ohms{1.0 / 3}};
            break;
        case Chemistry::Coin:
            cell = {Volts{3.2}, Volts{2.9}, Volts{2.0}, Ohms{15}};
            break;
    }
    const double cells = pack.cells;
    return {cell.full * cells, cell.nominal * cells, cell.cutOff * cells, cell.inside * cells};
}

Seconds runTime(const BatteryPack& pack, Amperes load) {
    return Seconds{pack.capacity.value() * usableCapacity / load.value() * 3600};
}

std::optional<Amperes> fuseFor(Amperes sustained) {
    constexpr std::array<double, 16> values{0.2, 0.315, 0.5,  0.63, 0.8, 1.0, 1.25, 1.6,
                                            2.0, 2.5,   3.15, 4.0,  5.0, 6.3, 8.0,  10.0};
    for (const double value : values) {
        if (value >= sustained.value() * 1.5 * (1 - 1e-12)) return Amperes{value};
    }
    return std::nullopt;
}

}  // namespace glimmet::core
