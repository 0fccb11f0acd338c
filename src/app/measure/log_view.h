// A meter's log: what its columns are, where it is cut, and what each part was. Everything guessed
// can be put right by hand: heads are pressed, edges dragged, parts named.
#pragma once

#include "core/instrument/log_cutting.h"
#include "core/record/job.h"

#include <QFutureWatcher>
#include <QWidget>

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace glimmet::app {

class Plot;

class LogView : public QWidget {
    Q_OBJECT
public:
    explicit LogView(QWidget* parent = nullptr);

    void setJob(const core::Job& job);
    /// Reads and cuts it beside the interface's work, then shows it; or refused().
    void open(const QString& path);
    [[nodiscard]] bool busy() const { return m_reading.isRunning(); }
    [[nodiscard]] const std::vector<core::LogPart>& parts() const { return m_parts; }
    /// The readings that it would enter.
    [[nodiscard]] QStringList lines() const;
    /// Where a second of the log stands on the plot, in pixels of this widget.
    [[nodiscard]] QPoint placeOf(double seconds) const;

signals:
    void left();
    void linesChosen(const QStringList& lines);
    void refused(const QString& sentence);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    struct Read {
        core::Result<core::LogDialect> dialect;
        core::Result<core::MeterLog> log;
        std::vector<core::LogPart> parts;
    };
    void read(std::optional<core::LogDialect> dialect);
    void taken();
    void draw();
    [[nodiscard]] double timeOf(std::size_t row) const;  ///< its seconds, else the last
    void drawParts(double top);
    void say();
    void showHeads();
    void name(std::size_t part, std::optional<core::MotorCondition> condition);
    void moveEdge(std::size_t edge, std::size_t row);
    [[nodiscard]] std::optional<std::size_t> edgeAt(int x) const;
    [[nodiscard]] std::optional<std::size_t> partAt(int x) const;
    [[nodiscard]] std::size_t rowAt(int x) const;

    Plot* m_plot;
    QHBoxLayout* m_heads;
    QLabel* m_says;
    QPushButton* m_take;
    QString m_path;
    QByteArray m_bytes;
    std::vector<std::string> m_motors;  ///< names, where there are several
    std::size_t m_motor = 0;
    std::optional<core::Ohms> m_winding;
    core::MeterLog m_log;
    std::vector<core::LogPart> m_parts;
    std::size_t m_chosen = 0;
    std::optional<std::size_t> m_dragged;  ///< the edge that the hand holds: before that part
    bool m_moved = false;
    QFutureWatcher<Read> m_reading;
};

}  // namespace glimmet::app
