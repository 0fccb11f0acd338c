// The sheets that a job can be written out as: one line each in sheets.cpp.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/sheet.h"

#include <span>
#include <string_view>

namespace glimmet::core {

struct SheetKind {
    std::string_view name;  ///< "wiring"
    const char* title;      ///< of a menu, to be translated ("core")
    Sheet (*make)(const JobAnalysis& facts);
};
[[nodiscard]] std::span<const SheetKind> sheetKinds();
/// nullptr: there is none of that name.
[[nodiscard]] const SheetKind* sheetKind(std::string_view name);

}  // namespace glimmet::core
