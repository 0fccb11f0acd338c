// The rails of a track: plain values, as records keep them.
#pragma once

#include "core/words.h"

namespace glimmet::core {

enum class Rails { Left, Right, Both, Middle };
/// "left" "right" "both" "middle": a third rail, or studs between the sleepers
constexpr auto wordsOf(Rails) {
    return std::to_array<Word<Rails>>({{Rails::Left, "left"},
                                       {Rails::Right, "right"},
                                       {Rails::Both, "both"},
                                       {Rails::Middle, "middle"}});
}

enum class Trackwork {
    Points,
    Curved,      ///< points, both of whose ways are curved
    ThreeWay,    ///< both branches begin at one place
    Crossing,    ///< two straight tracks at one level
    DoubleSlip,  ///< a crossing that one can also turn off on
};
constexpr auto wordsOf(Trackwork) {
    return std::to_array<Word<Trackwork>>({{Trackwork::Points, "points"},
                                           {Trackwork::Curved, "curved"},
                                           {Trackwork::ThreeWay, "three-way"},
                                           {Trackwork::Crossing, "crossing"},
                                           {Trackwork::DoubleSlip, "double-slip"}});
}

}  // namespace glimmet::core
