// A battery as a record keeps it: cells in series.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

namespace glimmet::core {

enum class Chemistry {
    LiIon,
    NiMH,
    Alkaline,
    Coin,  ///< a lithium cell of 3 V the size of a coin
};
constexpr auto wordsOf(Chemistry) {
    return std::to_array<Word<Chemistry>>({{Chemistry::LiIon, "li-ion"},
                                           {Chemistry::NiMH, "nimh"},
                                           {Chemistry::Alkaline, "alkaline"},
                                           {Chemistry::Coin, "coin"}});
}
struct BatteryPack {
    Chemistry chemistry{};
    int cells = 1;           ///< 1 … 12
    AmpereHours capacity{};  ///< as printed on it, > 0
    bool operator==(const BatteryPack&) const = default;
};

}  // namespace glimmet::core
