// The picture: the model on the bench, to scale on a millimetre mat, cut open, through the overlay
// of the stage. Everything in it can be hovered for its source and pressed to get to its data.
#pragma once

#include "app/picture/picture_overlay.h"
#include "app/picture/scene.h"
#include "core/analysis/job_analysis.h"
#include "core/analysis/operating.h"

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include <optional>

namespace glimmet::app {

class DrivingPanel;

class PictureView : public QWidget {
    Q_OBJECT
public:
    explicit PictureView(QWidget* parent = nullptr);
    /// The job is copied: what is painted does not depend on who edits meanwhile.
    void show(const core::JobAnalysis& facts, OverlayPainter overlay, const std::string& subject);
    /// The same, but with something that is only tried: it says so, and is driven as it was.
    void showTried(const core::JobAnalysis& facts, const QString& with);
    /// What a stage shows in it. Lamps that are made otherwise are seen in the dark; once they are
    /// not, its lights are as they were.
    void put(const PictureOverlay& shown);
    void showNothing();
    void setDark(bool dark);
    /// How it is driven in the dark: direction, keys, volts.
    void drive(const core::Operating& operating);
    [[nodiscard]] const std::vector<core::LitLamp>& lamps() const { return m_lamps; }
    [[nodiscard]] bool dark() const { return m_dark; }
    void fit();
    void zoom(qreal factor, const QPointF& about);
    [[nodiscard]] const std::vector<Target>& targets() const { return m_targets; }
    /// Of the first unit.
    [[nodiscard]] const MatView& view() const { return m_units.front(); }
    [[nodiscard]] const std::vector<MatView>& units() const { return m_units; }

signals:
    void subjectChosen(const std::string& subject);
    void jotOffered(const QString& start);
    void jotChosen(const QString& line);  ///< a whole line, to be taken
    void darkChanged(bool dark);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;
    bool focusNextPrevChild(bool next) override;

private:
    [[nodiscard]] const Target* at(const QPointF& where) const;
    void press(const Target& target);
    /// What the thing in hand would come to where the pointer is.
    [[nodiscard]] std::optional<Dragged> dragged() const;
    void nudge(const Target& target, const QKeyEvent& event);
    void move(const QPointF& by);
    void light();
    /// Some lamp blinks, or is on its way.
    [[nodiscard]] bool moves() const;
    void blink(core::Seconds time);
    [[nodiscard]] core::Seconds now() const;  ///< since the view was made
    void placePanel();
    core::Job m_job;
    std::optional<core::JobAnalysis> m_facts;  ///< of m_job
    core::Operating m_operating;
    PictureOverlay m_shown;
    DrivingPanel* m_panel;
    bool m_hasJob = false;
    std::vector<core::LitLamp> m_steady;  ///< as they are lit
    std::vector<core::LitLamp> m_lamps;   ///< as they are seen: chips blink
    std::vector<double> m_from;           ///< how bright they were when they were switched
    core::Seconds m_switched{0};          ///< when that was
    QTimer m_blink;                       ///< runs while something blinks in the dark
    QElapsedTimer m_clock;
    std::string m_subject;
    QString m_tried;           ///< the line that it is shown with; empty: as it is
    bool m_darkForIt = false;  ///< its lights went out for that only
    OverlayPainter m_overlay = nullptr;
    bool m_dark = false;
    std::vector<MatView> m_units{MatView()};  ///< where each unit stands
    bool m_fitted = true;  ///< follows the size of the window until zoomed or moved
    std::vector<Target> m_targets;
    KeptLayer m_model{Qt::black};  ///< on its mat
    KeptLayers m_layers;           ///< what lies over it and seldom changes
    Probes m_probes;               ///< where the probes of a tester are
    int m_focused = -1;            ///< index of the target that the keyboard is on
    std::optional<QPointF> m_grabbed;
    bool m_moved = false;
    int m_inHand = -1;    ///< index of the target that is dragged
    QPointF m_draggedTo;  ///< where the pointer has it
};

}  // namespace glimmet::app
