// A row of lamps and the current it gets.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/lamps/resistor_options.h"
#include "core/work/lamps/row_verdict.h"
#include "core/work/stage.h"

#include <optional>
#include <vector>

namespace glimmet::core::lamps {

inline constexpr double seenUneven = 0.1;  // of builds

/// What holds of a whole group is worked out once for all of its rows.
class RowsTogether {
public:
    RowsTogether(const LampGroup& group, const GroupState& state)
        : sharedIsTheCause(causedByShared(group, state)),
          unevenBehindShared(group.shared() > Ohms{0} && group.rows.size() > 1 && !state.pair &&
                             unevenBuilds(group, state) > seenUneven),
          m_alike(group.rows.size() > 1 && allAlike(group)),
          m_board(state.outputSeries > Ohms{0}) {}
    const bool sharedIsTheCause;
    const bool unevenBehindShared;  ///< told of the group
    [[nodiscard]] bool alike() const { return m_alike; }
    /// What is offered for one of the rows that are all alike is offered for each.
    std::vector<Option> options(const Job& job, const LampGroup& group, std::size_t row,
                                const RowState& state, const WorkshopRules& house) {
        if (!m_alike) return resistorOptions(job, group, row, state, house, false, m_board);
        if (!m_known) m_known = resistorOptions(job, group, row, state, house, true, m_board);
        return *m_known;
    }

private:
    bool m_alike;
    bool m_board;
    std::optional<std::vector<Option>> m_known;
};

/// `anyway`: said instead where the row comes to the same whatever is not known.
void judgeRow(const JobAnalysis& facts, const LampGroup& group, std::size_t row,
              const GroupState& state, const std::optional<Text>& anyway, RowsTogether& together,
              Judging& judging);

}  // namespace glimmet::core::lamps
