// Bench shorthand: one line, typed with one hand, that changes a job. The interface's jot line,
// its options ("use this") and scripts all speak it, so there is one way to change a job.
#pragma once

#include "core/finding/finding.h"
#include "core/quantity/dimension.h"
#include "core/record/job.h"
#include "core/record/workshop.h"
#include "core/result.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

struct JotResult {
    Text meaning;            ///< everything that was understood: "Stall test: 1.15 A at 12 V"
    Job after;               ///< the job with it
    std::string_view stage;  ///< the stage whose line it is; empty: shown wherever one is
    std::string subject;     ///< id of the group it touches, or empty
    bool goes = false;       ///< it changes nothing and leads to its stage
};

/// Reads one line against a job. Pure: the job itself is not touched.
/// `now`: local time, or the date alone, ISO 8601; measurements get its date, what waits begins
/// then. A line that names an earlier day ("on
/// 2026-03-02 light 150mA 12V") gets that one.
/// Errors: NotUnderstood for words that mean nothing here, Unknown for names of nothing,
/// OutOfRange for values no model has, Missing for what the line leaves out. Each explains itself
/// and shows an example; nothing of a refused line is taken.
/// `workshop`: whose house rules hold.
[[nodiscard]] Result<JotResult> applyLine(std::string_view line, const Job& job,
                                          const Catalogue& catalogue, const std::string& now,
                                          const WorkshopRecord& workshop = {});

/// Several lines as one change, in their order, each read against what the ones before it left.
/// Errors: those of the first line that is refused, with the line; then none is taken.
[[nodiscard]] Result<JotResult> applyLine(const std::vector<std::string>& lines, const Job& job,
                                          const Catalogue& catalogue, const std::string& today,
                                          const WorkshopRecord& workshop = {});

/// What a bench meter could still put into a line: the volts, amperes and ohms that its verb takes
/// and that do not stand in it yet, in the verb's order. None where nothing goes by its first word.
struct Measurable {
    std::vector<Dimension> dimensions;
    bool momentary = false;  ///< as jot::Command::momentary: the first readings count
    bool scatter = false;    ///< it keeps by how much the current scattered
};
[[nodiscard]] Measurable measurable(std::string_view line);
/// A value read by a meter as it goes into a line: "181.2mA".
[[nodiscard]] std::string asJot(Dimension dimension, double si, int digits = 4);

/// The same of a line about the workshop itself.
struct WorkshopJotResult {
    Text meaning;
    WorkshopRecord after;
    std::string_view stage;  ///< the stage whose line it is
    std::string subject;     ///< the rule it touches
};
[[nodiscard]] Result<WorkshopJotResult> applyLine(std::string_view line,
                                                  const WorkshopRecord& workshop,
                                                  const Catalogue& catalogue,
                                                  const std::string& today, Shelf shelf = {});

struct JotForm {
    std::string pattern;                ///< "stall AMPS VOLTS"
    std::vector<const char*> examples;  ///< "stall 1.15A 12V"; the first is shown first
    const char* meaning;                ///< "a stall test, a second at the most"
    std::string_view stage;             ///< the stage it is of; empty: of the record
};
/// All that can be typed, in the order of the work.
[[nodiscard]] std::vector<JotForm> jotForms();
[[nodiscard]] std::vector<JotForm> workshopJotForms();

/// A way to go on with a line that is being typed.
struct JotCompletion {
    std::string line;  ///< the whole line with it
    std::string word;  ///< what is added or completed: "front lamp"
    std::string says;  ///< what it is, or what its line takes
};
/// None where the line cannot be gone on with. Range: any bytes.
[[nodiscard]] std::vector<JotCompletion> jotCompletions(std::string_view line, const Job& job,
                                                        const Catalogue& catalogue);
[[nodiscard]] std::vector<JotCompletion> workshopJotCompletions(std::string_view line,
                                                                const WorkshopRecord& workshop,
                                                                const Catalogue& catalogue,
                                                                Shelf shelf = {});

}  // namespace glimmet::core
