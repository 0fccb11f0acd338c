// What becomes of a lamp group if one of its lamps fails: a line for each way to fail, and in it
// what every row carries then, against its limit and what it carries now. A line that is pressed is
// seen in the dark picture until it is pressed again.
#pragma once

#include "core/analysis/lamps/what_if.h"
#include "core/analysis/operating.h"

#include <QWidget>

#include <optional>
#include <string>
#include <vector>

namespace glimmet::app {

class FaultTable : public QWidget {
    Q_OBJECT
public:
    explicit FaultTable(QWidget* parent = nullptr);
    /// `group` nullptr: nothing chosen.
    void show(const core::JobAnalysis& facts, const core::LampGroup* group);
    [[nodiscard]] QSize minimumSizeHint() const override;
    [[nodiscard]] const std::vector<core::lamps::FaultCase>& cases() const { return m_cases; }

signals:
    /// The lamps are to be seen as if that had failed; empty words: as they are.
    void litAs(const core::Relit& relit, const QString& words);

protected:
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    struct Column {
        QString name;
        core::Amperes now{}, limit{};
    };
    void paintCurrent(QPainter& painter, const QRectF& cell, const Column& column,
                      core::Amperes then) const;
    /// Heights of what a line says, as wide as it is now.
    struct Words {
        int name, follows;
        [[nodiscard]] int all() const { return name + follows; }
    };
    [[nodiscard]] Words wordsOf(const core::lamps::FaultCase& one) const;
    [[nodiscard]] int wordsWidth() const;
    [[nodiscard]] int leastWidth() const;
    /// Where each line begins, and behind the last one.
    [[nodiscard]] std::vector<int> tops() const;
    struct Asked {
        core::Job job;
        std::string group;
        core::WorkshopRules house;
    };
    void work();
    /// -1: none of them.
    void choose(int line);
    std::optional<Asked> m_asked;  ///< not worked out yet: only what is looked at is
    core::LampGroup m_group;       ///< that the cases are of
    int m_chosen = -1;             ///< the case that is seen in the picture
    std::vector<core::lamps::FaultCase> m_cases;
    std::vector<Column> m_columns;  ///< rows that are connected; none where there are too many
    std::vector<std::size_t> m_rowOf;
};

}  // namespace glimmet::app
