#include "core/work/meter/lines.h"

namespace glimmet::core::meter {

std::string lineOf(const Row& row) {
    return "probe " + spelled(row.first) + " to " + spelled(row.second) + " ";
}

std::string goodLine(const Row& row) {
    switch (row.expect) {
        case Expect::Open:
            return lineOf(row) + (row.junction ? "open both ways" : "open");
        case Expect::Joined:
            return row.about == About::Wheel || row.about == About::FrameRail
                       ? lineOf(row) + "beep"
                       : lineOf(row) + "0.3 ohms";
        case Expect::OneWay: {
            const bool first = row.plus == Plus::First;
            return "probe " + spelled(first ? row.first : row.second) + " to " +
                   spelled(first ? row.second : row.first) + " one way";
        }
        case Expect::Rising:
            return lineOf(row) + "rising";
        case Expect::Range:
            break;
    }
    return {};
}

}  // namespace glimmet::core::meter
