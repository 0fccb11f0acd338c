// Makes GoogleTest print quantities as "1.2 V" instead of raw bytes.
#pragma once

#include "core/quantity/quantities.h"

#include <ostream>
#include <type_traits>

namespace units {
template <class Unit, typename Number, template <typename> class Scale>
void PrintTo(const unit_t<Unit, Number, Scale>& quantity, std::ostream* out) {
    *out << quantity.value() << " (SI)";
}
}  // namespace units
