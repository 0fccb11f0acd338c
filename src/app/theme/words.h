// Core's sentences in the language of the user, and the wording of states and symbols.
#pragma once

#include "core/finding/finding.h"
#include "core/record/body.h"
#include "core/result.h"
#include "sheets/said.h"

#include <QString>

namespace glimmet::app {

using sheets::said;
[[nodiscard]] QString said(const core::Error& error);
/// `open`: nothing is wrong, work remains.
[[nodiscard]] QString stateWord(core::State state, bool open = false);
/// "Measure": the title of a stage, translated.
[[nodiscard]] QString stageTitle(std::string_view stage);
[[nodiscard]] QString jobCount(int jobs);  ///< "1 job", "12 jobs"
[[nodiscard]] QString bodyTitle(const core::BodyDrawing& drawing);
/// "I_stall" with its index slanted (set low it would be too small to read), for rich text; a
/// number is never parted from its unit; HTML is escaped.
[[nodiscard]] QString formulaRich(const QString& formula);
/// A figure with its value and what it rests on, as a tooltip says it.
[[nodiscard]] QString figureTip(const core::Figure& figure);
/// Plain words in which a line never breaks between a number and its unit.
[[nodiscard]] QString unbroken(QString words);
inline QString qs(const std::string& words) { return QString::fromStdString(words); }

}  // namespace glimmet::app
