// Lines that put a lamp into a job.
#pragma once

#include "core/analysis/lamp_sites.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

/// Where a line wants its lamp.
struct Where {
    std::optional<std::size_t> group;  ///< of lamps that are there already
    std::optional<NamedSite> site;     ///< of the body; nothing: a name of its own
    std::string called;                ///< what a new one goes by; empty: neither place nor name
};

/// Errors: Unknown where the unit that it names has no such place, and Missing where several have
/// one and it names none.
[[nodiscard]] Result<Where> whereOf(const jot::ParsedLine& said);

/// A new lamp where the line says, on its output; beside those that are on it already. `what` it
/// is, for people; `resistor` of its row.
[[nodiscard]] Result<JotResult> putIn(const jot::ParsedLine& said, Lamp one, const Where& where,
                                      const Text& what, std::optional<Ohms> resistor,
                                      std::optional<Amperes> wish);

[[nodiscard]] Result<JotResult> lamp(const jot::ParsedLine& typed);

/// "bulb cab 16V 50mA": a filament bulb, new or in the place of what is there.
[[nodiscard]] Result<JotResult> bulb(const jot::ParsedLine& said);

}  // namespace glimmet::core::lamps
