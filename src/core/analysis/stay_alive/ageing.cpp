#include "core/analysis/stay_alive/ageing.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {

Celsius bearsUpTo(BankKind kind) {
    switch (kind) {
        case BankKind::Electrolytic:
        case BankKind::Tantalum:
            return Celsius{85};
        case BankKind::Supercapacitor:
        case BankKind::Module:
            break;
    }
    return Celsius{65};
}

double shareInFrost(BankKind kind, Celsius warmth) {
    if (kind != BankKind::Electrolytic) return 1;
    return std::clamp(1 + 0.01 * warmth.value(), 0.3, 1.0);
}

double shareLeft(BankKind kind, Seconds on, Celsius warmth, Volts cell, Volts cellRated) {
    if (kind == BankKind::Tantalum) return 1;
    const bool can = kind == BankKind::Electrolytic;
    const double loses = can ? 0.2 : 0.3;
    const double cooler = (bearsUpTo(kind).value() - warmth.value()) / 10;
    const double spared = can ? 0 : (cellRated - cell).value() / 0.2;
    const double hours = (can ? 2000 : 1000) * std::exp2(cooler + spared);
    return std::max(0.5, 1 - loses * on.value() / 3600 / hours);
}

}  // namespace glimmet::core::stay_alive
