// In how many builds the lamps of a group would look uneven, as it is and with other choices. A
// line that is pressed is taken.
#pragma once

#include "app/table/table.h"
#include "core/analysis/job_analysis.h"
#include "core/work/lamps/mismatch.h"

#include <QFutureWatcher>

#include <optional>
#include <stop_token>
#include <string>
#include <vector>

namespace glimmet::app {

class MismatchRows : public Table {
    Q_OBJECT
public:
    explicit MismatchRows(QWidget* parent = nullptr);
    ~MismatchRows() override;
    /// `group` nullptr: nothing chosen.
    void showGroup(const core::JobAnalysis& facts, const core::LampGroup* group);
    [[nodiscard]] const std::vector<core::lamps::MismatchLine>& lines() const { return m_lines; }
    [[nodiscard]] bool busy() const { return m_watcher.isRunning(); }

protected:
    void showEvent(QShowEvent* event) override;

private:
    struct Asked {
        core::Job job;
        std::string group;
        core::WorkshopRules house;
    };
    void begin();
    void finished();

    std::optional<Asked> m_asked;  ///< not worked out yet
    std::vector<core::lamps::MismatchLine> m_lines;
    std::stop_source m_stop;
    QFutureWatcher<std::vector<core::lamps::MismatchLine>> m_watcher;
};

}  // namespace glimmet::app
