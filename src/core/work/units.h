// How a line names units and what is in them.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core {

[[nodiscard]] std::vector<jot::Named> unitNames(const jot::Context& context);
/// "in rear car"; which unit is meant. Needed only where there are several and it matters.
inline constexpr jot::Argument unitArgument{.what = "UNIT",
                                            .kind = jot::Argument::Kind::Name,
                                            .after = "in",
                                            .names = unitNames,
                                            .unknown = "No unit goes by “%1”. There are: %2.",
                                            .ofSeveral = true};
/// The unit that a line named; the only one where it named none.
/// Errors: Missing where there are several and none was named.
[[nodiscard]] Result<std::size_t> unitOf(const jot::ParsedLine& said);

/// Where a thing can lie: the cavities, and of a train each unit as a whole.
[[nodiscard]] std::vector<jot::Named> placementNames(const jot::Context& context);
/// The place behind such a name; of a unit as a whole without a cavity. Precondition: it is one of
/// placementNames.
[[nodiscard]] Fitted placementNamed(const Job& job, const std::string& called);

}  // namespace glimmet::core
