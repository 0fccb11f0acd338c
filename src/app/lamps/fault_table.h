// What becomes of a lamp group if one of its lamps fails: a line for each way to fail, and in it
// what every row carries then, against its limit and what it carries now. A line that is pressed is
// seen in the dark picture until it is pressed again.
#pragma once

#include "app/picture/picture_overlay.h"
#include "app/table/table.h"
#include "core/analysis/lamps/what_if.h"

#include <vector>

namespace glimmet::app {

class FaultTable : public Table {
    Q_OBJECT
public:
    explicit FaultTable(QWidget* parent = nullptr);
    /// `group` nullptr: nothing chosen.
    void showGroup(const core::JobAnalysis& facts, const core::LampGroup* group);
    [[nodiscard]] const std::vector<core::lamps::FaultCase>& cases() const { return m_cases; }

signals:
    /// The lamps are to be seen as if that had failed; empty: as they are.
    void seen(const PictureOverlay& as);

protected:
    void hideEvent(QHideEvent* event) override;

private:
    TableContent worked(const core::Job& job, const std::string& id,
                        const core::WorkshopRules& house);
    /// -1: none of them.
    void choose(int line);
    core::LampGroup m_group;  ///< that the cases are of
    int m_chosen = -1;        ///< the case that is seen in the picture
    std::vector<core::lamps::FaultCase> m_cases;
};

}  // namespace glimmet::app
