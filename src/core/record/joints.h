// How far a joint of wires is.
#pragma once

#include "core/words.h"

namespace glimmet::core {

enum class Joints { Twisted, Tacked, Soldered, Sleeved, Proved };
constexpr auto wordsOf(Joints) {
    return std::to_array<Word<Joints>>({{Joints::Twisted, "twisted"},
                                        {Joints::Tacked, "tacked"},
                                        {Joints::Soldered, "soldered"},
                                        {Joints::Sleeved, "sleeved"},
                                        {Joints::Proved, "proved"}});
}

}  // namespace glimmet::core
