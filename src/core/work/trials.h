// Options tried on the whole job before they are offered: what is left of the finding afterwards,
// and whether anything else got worse.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/finding.h"

#include <map>
#include <memory>
#include <string>
#include <vector>

namespace glimmet::core {

/// Options of the findings of one job; lines that several findings offer are tried once.
class Trials {
public:
    explicit Trials(const JobAnalysis& facts);  ///< must outlive it
    /// `before`: all findings of that job, where they are known already.
    Trials(const JobAnalysis& facts, const std::vector<Finding>& before);
    ~Trials();
    Trials(const Trials&) = delete;
    Trials& operator=(const Trials&) = delete;

    /// Tries the remedies of a finding that is not fine. An option's state becomes that of the
    /// finding with it taken (a finding that is gone is fine), or of the gravest finding that gets
    /// worse by it, whichever is worse; what gets worse is said. They are put in the order of these
    /// states, else as they stood. Answers are left as they are, and so are the options of what is
    /// fine; more than eight are not offered.
    void tryOptions(Finding& finding);

private:
    struct Tried;
    const Tried& tried(const std::string& jot);

    const JobAnalysis& m_facts;
    std::map<std::string, State> m_before;                  ///< of each finding as the job stands
    std::map<std::string, std::unique_ptr<Tried>> m_tried;  ///< by the line
};

/// The same for one finding.
void tryOptions(Finding& finding, const JobAnalysis& facts);

}  // namespace glimmet::core
