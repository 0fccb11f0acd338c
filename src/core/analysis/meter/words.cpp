#include "core/analysis/meter/words.h"

#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::meter {

Text mustShow(const Row& row) {
    switch (row.expect) {
        case Expect::Open:
            return row.junction ? text("open, on the diode test too, both ways")
                                : text("open, more than %1", formatted(openAbove, 3));
        case Expect::Joined:
            return text("joined, below %1", formatted(*row.high, 2));
        case Expect::OneWay:
            return row.plus == Plus::First ? text("one way only, red on the first; diode test")
                                           : text("one way only, red on the second; diode test");
        case Expect::Range:
            return text("%1 to %2", formatted(*row.low, 2), formatted(*row.high, 2));
        case Expect::Rising:
            return text("a value that climbs");
    }
    return {};
}

Text shown(const PairReading& reading) {
    switch (reading.look) {
        case Look::Value:
            // As a meter shows it: 0.4 Ω, not 400 mΩ.
            return *reading.ohms < Ohms{1}
                       ? text("%1 Ω", formatted(reading.ohms->value(), Dimension::Ratio, 2))
                       : verbatim(formatted(*reading.ohms, 3));
        case Look::Beep:
            return text("a beep");
        case Look::Open:
            return reading.bothWays ? text("open, both ways") : text("open");
        case Look::OneWay:
            return text("one way only");
        case Look::Rising:
            return text("a value that climbs");
        case Look::Sometimes:
            return text("comes and goes");
    }
    return {};
}

Text allowed(Allows allows) {
    switch (allows) {
        case Allows::Nothing:
            return text("no power yet");
        case Allows::PlainDcLow:
            return text("3 to 4 V plain DC through a limit, on the motor pair alone");
        case Allows::LimitedTrack:
            return text("a programming track or another source that limits its current");
        case Allows::Track:
            return text("layout power");
    }
    return {};
}

const Row* nextRow(const Matrix& matrix) {
    const auto asked = [&](bool brief) {
        return std::find_if(matrix.rows.begin(), matrix.rows.end(), [&](const Row& row) {
            return row.state == State::Ask && (!brief || row.shortProof);
        });
    };
    auto found = asked(true);
    if (found == matrix.rows.end() && !matrix.shortIsEnough) found = asked(false);
    return found == matrix.rows.end() ? nullptr : &*found;
}

}  // namespace glimmet::core::meter
