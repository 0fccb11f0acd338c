#include "core/led/resistor_package.h"

#include <initializer_list>

namespace glimmet::core {

using enum ResistorPackage;

std::string shown(ResistorPackage package) {
    std::string words(name(package));
    if (words.back() == 'W') words.insert(words.size() - 1, " ");
    return words;
}

Watts rating(ResistorPackage package) {
    switch (package) {
        case Chip0402:
            return Watts{0.063};
        case Chip0603:
            return Watts{0.1};
        case Chip0805:
        case Eighth:
            return Watts{0.125};
        case Chip1206:
        case Quarter:
            return Watts{0.25};
        case Half:
            return Watts{0.5};
        case One:
            return Watts{1};
        case Two:
            break;
    }
    return Watts{2};
}

std::string resistorBody(Watts power) {
    std::string leaded = "2 W or more";
    for (const ResistorPackage each : {Eighth, Quarter, Half, One}) {
        if (2.0 * power > rating(each)) continue;
        leaded = shown(each);
        break;
    }
    for (const ResistorPackage chip : {Chip0402, Chip0603, Chip0805, Chip1206}) {
        if (2.0 * power <= 0.8 * rating(chip)) return leaded + " or " + shown(chip);
    }
    return leaded;
}

}  // namespace glimmet::core
