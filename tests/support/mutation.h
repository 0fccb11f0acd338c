// A document with one thing wrong with it somewhere.
#pragma once

#include <random>
#include <string>
#include <vector>

namespace glimmet::tests {

/// Changes a byte, takes some out, puts one of the pieces in, or cuts the rest off.
inline std::string mutated(std::string text, std::mt19937& random,
                           const std::vector<std::string>& pieces) {
    std::uniform_int_distribution<std::size_t> place(0, text.size() - 1),
        piece(0, pieces.size() - 1);
    std::uniform_int_distribution<int> byte(0, 255), kind(0, 3);
    switch (kind(random)) {
        case 0:
            text[place(random)] = static_cast<char>(byte(random));
            break;
        case 1:
            text.erase(place(random), 3);
            break;
        case 2:
            text.insert(place(random), pieces[piece(random)]);
            break;
        default:
            text.resize(place(random));
            break;
    }
    return text;
}

}  // namespace glimmet::tests
