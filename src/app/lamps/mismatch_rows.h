// Of ten builds of a lamp group, how many would look uneven: as it is, and with each change that
// could be made. Drawn as ten pairs of lamps a line; worked out beside the interface's work.
#pragma once

#include "core/work/lamps/mismatch.h"

#include <QFutureWatcher>
#include <QWidget>

#include <optional>
#include <stop_token>
#include <vector>

namespace glimmet::app {

class MismatchRows : public QWidget {
    Q_OBJECT
public:
    explicit MismatchRows(QWidget* parent = nullptr);
    ~MismatchRows() override;
    /// `group` nullptr: nothing chosen.
    void show(const core::JobAnalysis& facts, const core::LampGroup* group);
    [[nodiscard]] QSize minimumSizeHint() const override;
    [[nodiscard]] const std::vector<core::lamps::MismatchLine>& lines() const { return m_lines; }
    [[nodiscard]] bool busy() const { return m_watcher.isRunning(); }

signals:
    void jotChosen(const QString& line);

protected:
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    struct Asked {
        core::Job job;
        std::string group;
        core::WorkshopRules house;
    };
    void begin();
    [[nodiscard]] std::optional<std::size_t> lineAt(const QPointF& at) const;
    void take(std::size_t line);

    std::optional<Asked> m_asked;  ///< not worked out yet
    bool m_severalRows = false;
    bool m_none = true;
    std::vector<core::lamps::MismatchLine> m_lines;
    std::size_t m_chosen = 0;
    std::stop_source m_stop;
    QFutureWatcher<std::vector<core::lamps::MismatchLine>> m_watcher;
};

}  // namespace glimmet::app
