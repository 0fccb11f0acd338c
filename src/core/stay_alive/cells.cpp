#include "core/stay_alive/cells.h"

#include <algorithm>
#include <cassert>
#include <random>

namespace glimmet::core {

Volts highestCell(Volts bank, int cells, double spread) {
    assert(cells >= 1 && spread >= 0 && spread < 1);
    const double least = 1 / (1 - spread);
    return bank * (least / (least + (cells - 1) / (1 + spread)));
}

double overloadedShare(Volts bank, int cells, Volts bears, double spread, int draws,
                       std::uint64_t seed) {
    assert(cells >= 1 && draws >= 1);
    std::mt19937_64 random(seed);
    std::uniform_real_distribution<double> off(1 - spread, 1 + spread);
    int over = 0;
    for (int draw = 0; draw < draws; ++draw) {
        double sum = 0, most = 0;
        for (int cell = 0; cell < cells; ++cell) {
            const double share = 1 / off(random);
            sum += share;
            most = std::max(most, share);
        }
        over += bank * (most / sum) > bears ? 1 : 0;
    }
    return static_cast<double>(over) / draws;
}

}  // namespace glimmet::core
