// What feeds a model, as it was found.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/measured.h"

#include <optional>
#include <string_view>

namespace glimmet::core {

enum class SupplyKind { Dcc, Dc, Battery };
[[nodiscard]] std::string_view name(SupplyKind kind);  ///< "dcc" "dc" "battery"
[[nodiscard]] std::optional<SupplyKind> supplyKindNamed(std::string_view name);

/// What feeds the model. What is not measured is assumed from the scale or the house defaults.
struct Supply {
    SupplyKind kind = SupplyKind::Dcc;
    std::optional<Measured<Volts>> volts;
    std::optional<Measured<Volts>> rectifier;
    std::optional<Measured<Volts>> bridge;
    std::optional<Measured<Volts>> outputSwitch;
    bool operator==(const Supply&) const = default;
};

}  // namespace glimmet::core
