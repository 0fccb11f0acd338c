// The reckoning: the answer in one sentence, then the figures, then because, then options to take
// (before because, where something is to be done). It shows what core says and computes nothing.
#pragma once

#include "app/frame/reckoning_rows.h"
#include "app/frame/rows.h"

#include <QScrollArea>

#include <vector>

class QLabel;
class QVBoxLayout;

namespace glimmet::app {

class StateMark;

class ReckoningPanel : public QScrollArea {
    Q_OBJECT
public:
    explicit ReckoningPanel(QWidget* parent = nullptr);
    /// `spoken` may be nullptr: then `empty` is said. `others` are the other findings of the
    /// stage, to go to.
    void show(const core::Finding* spoken, const std::vector<const core::Finding*>& others,
              const QString& empty, bool readOnly);
    /// The job's record, at the foot.
    void showRecord(const std::vector<core::Text>& lines);

signals:
    void optionTaken(const QString& jot);
    void optionTried(const QString& jot);        ///< held to be seen; empty: let go
    void figureChosen(const QString& jotStart);  ///< a figure that can be measured or entered
    void findingChosen(const QString& id);

private:
    /// A heading over a column of rows; hidden where it has none.
    struct Section {
        QWidget* whole = nullptr;
        QLabel* heading = nullptr;
        QVBoxLayout* rows = nullptr;
    };
    [[nodiscard]] Section section(const QString& heading);
    void colour();
    void showFigures(Section& section, Rows<FigureRow>& rows,
                     const std::vector<const core::Figure*>& figures);
    void showBecause(const core::Finding* finding);

    QVBoxLayout* m_column;
    StateMark* m_mark;
    QLabel* m_sentence;
    QLabel* m_caution;
    Section m_figures, m_options, m_because, m_others, m_record;
    Rows<FigureRow> m_figureRows, m_groundRows;
    Rows<QLabel> m_derivations;
    QWidget* m_ground;  ///< what the derivations rest on, below them
    QVBoxLayout* m_groundColumn;
    Rows<OptionRow> m_optionRows;
    Rows<FindingRow> m_otherRows;
    Rows<QLabel> m_recordRows;
};

}  // namespace glimmet::app
