// What a stage of the work is. A stage is one folder with its judges and
// verbs, and one line in the table of stages; nothing else knows it by name.
#pragma once

#include "core/finding/finding.h"
#include "core/jot/command.h"

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace glimmet::core {

/// A finding without its words: quick enough to be asked for many times.
struct Verdict {
    std::string id;
    Subject subject;
    State state{};
    Gravity gravity{};
};

/// What a judge says, as verdicts alone or in words. A judge decides the state first and hands over
/// how it would say it; where only states are asked for, nothing is worded. So the two cannot
/// disagree.
class Judging {
public:
    explicit Judging(std::vector<Verdict>& verdicts) : m_verdicts(&verdicts) {}
    /// `only`: the id of the one finding that is wanted; empty: all.
    Judging(std::vector<Finding>& findings, std::string_view stage, std::string_view only = {})
        : m_findings(&findings), m_stage(stage), m_only(only) {}

    /// `words` fills sentence, figures, options of the finding; it may not change its state.
    template <class Words>
    void say(std::string id, Subject subject, State state, Gravity gravity, Words&& words) {
        if (m_verdicts) {
            m_verdicts->push_back({std::move(id), std::move(subject), state, gravity});
            return;
        }
        if (!m_only.empty() && id != m_only) return;
        Finding finding;
        finding.id = std::move(id);
        finding.stage = m_stage;
        finding.subject = std::move(subject);
        finding.state = state;
        finding.gravity = gravity;
        std::forward<Words>(words)(finding);
        m_findings->push_back(std::move(finding));
    }

private:
    std::vector<Verdict>* m_verdicts = nullptr;
    std::vector<Finding>* m_findings = nullptr;
    std::string_view m_stage;
    std::string_view m_only;
};

/// Nothing to judge in a stage: why, and whether that is how it should be.
struct Idle {
    Text why;           ///< "no lamps yet"; empty: there is something to judge
    bool done = false;  ///< there is nothing to do here, ever
};

/// What decides the state of a finding, in words: for who wants to know why.
struct DecidedBy {
    const char* id;    ///< "lamp.current", without its subject
    const char* rule;  ///< a sentence or two; to be translated
};

template <class Record, class Facts>
struct Stage {
    const char* name;   ///< "lamps": in files, jot, on the command line
    const char* title;  ///< "Lamps", translated by the application
    bool (*applies)(const Record&);
    void (*judge)(const Facts&, Judging&);
    std::span<const jot::Command> (*commands)();
    Idle (*idle)(const Record&);
    std::span<const DecidedBy> decided = {};
    std::span<const char* const> also = {};  ///< other words for it: "go choose"
};

}  // namespace glimmet::core
