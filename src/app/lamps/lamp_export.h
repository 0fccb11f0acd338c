// A lamp group for other programs: drawn, as a circuit, as a table.
#pragma once

#include "core/analysis/job_analysis.h"

#include <QString>

namespace glimmet::app {

class Schematic;

/// Writes what the ending of the path says: .svg, .pdf, .png the schematic as it stands; .cir the
/// group as a SPICE netlist; .csv all lamps of the job. What stood there stays whole until the new
/// file is. Returns why it could not be, as a sentence; empty: it is written.
[[nodiscard]] QString exportLamps(Schematic& schematic, const core::Job& job,
                                  const core::WorkshopRules& house, const std::string& group,
                                  const QString& path);

}  // namespace glimmet::app
