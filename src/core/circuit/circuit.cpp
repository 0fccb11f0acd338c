#include "core/circuit/circuit.h"

#include <cctype>

namespace glimmet::core::circuit {

Node NodeNames::named(std::string_view name) {
    std::string lower(name);
    for (char& c : lower) {
        if (static_cast<unsigned char>(c) < 128) c = static_cast<char>(std::tolower(c));
    }
    const auto [at, isNew] = m_at.try_emplace(std::move(lower), m_names.size());
    if (isNew) m_names.push_back(at->first);
    return at->second;
}

}  // namespace glimmet::core::circuit
