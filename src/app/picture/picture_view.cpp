#include "app/picture/picture_view.h"

#include "app/picture/driving_panel.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScreen>
#include <QToolTip>

#include <algorithm>
#include <cmath>
#include <utility>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

bool sameBodies(const core::Job& a, const core::Job& b) {
    return std::equal(a.units.begin(), a.units.end(), b.units.begin(), b.units.end(),
                      [](const core::Unit& x, const core::Unit& y) { return x.body == y.body; });
}

}  // namespace

PictureView::PictureView(QWidget* parent) : QWidget(parent) {
    setObjectName(u"picture"_s);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setAccessibleName(tr("Picture of the model, to scale"));
    setAccessibleDescription(
        tr("Tab goes from part to part, Return presses it, arrow keys move, plus and minus zoom, 0 "
           "fits. Control and an arrow move what can be dragged by 0.1 mm, with Shift by 1 mm."));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setMinimumSize(320, 180);
    setCursor(Qt::CrossCursor);
    m_panel = new DrivingPanel(this);
    m_panel->hide();
    connect(m_panel, &DrivingPanel::driven, this, &PictureView::drive);
    m_clock.start();
    m_blink.setInterval(60);
    connect(&m_blink, &QTimer::timeout, this, [this] {
        blink(now());
        if (!moves()) m_blink.stop();
        update();
    });
}

void PictureView::light() {
    // In daylight every lamp stands there with what it takes when it is on.
    m_steady = core::litWhen(*m_facts, m_dark ? m_operating : core::Operating{}, m_shown.relit);
    m_from.clear();
    blink(now());
    moves() ? m_blink.start() : m_blink.stop();
    if (m_dark) m_panel->show(*m_facts, m_operating);
}

core::Seconds PictureView::now() const {
    return core::Seconds{static_cast<double>(m_clock.elapsed()) / 1000};
}

bool PictureView::moves() const {
    return m_dark && std::any_of(m_steady.begin(), m_steady.end(), [&](const core::LitLamp& lit) {
               return (lit.blinks && lit.brightness > 0) ||
                      (!m_from.empty() && now() - m_switched < lit.soft);
           });
}

/// In the dark what has a chip in it does as the chip does, what the decoder lets come on softly
/// comes so; by day it stands there lit.
void PictureView::blink(core::Seconds time) {
    m_lamps = m_steady;
    if (!m_dark) return;
    for (std::size_t i = 0; i < m_lamps.size(); ++i) {
        core::LitLamp& lit = m_lamps[i];
        if (!m_from.empty()) {
            lit.brightness = core::onItsWay(m_from[i], lit.brightness, time - m_switched, lit.soft);
        }
        if (lit.blinks) lit.brightness *= std::cbrt(core::shines(*lit.lamp->part.blink, time));
    }
}

void PictureView::drive(const core::Operating& operating) {
    std::vector<double> from;
    for (const core::LitLamp& lit : m_lamps) from.push_back(lit.brightness);
    m_operating = operating;
    if (!m_hasJob) return;
    light();
    // The lamps are the same ones: only how they are driven has changed.
    m_from = std::move(from);
    m_switched = now();
    blink(m_switched);
    if (moves()) m_blink.start();
    update();
}

void PictureView::placePanel() {
    m_panel->setVisible(m_dark && m_hasJob && !m_job.groups.empty());
    const int high = m_panel->sizeHint().height();
    m_panel->setGeometry(0, height() - high, width(), high);
}

void PictureView::show(const core::JobAnalysis& facts, OverlayPainter overlay,
                       const std::string& subject) {
    const bool another = !m_hasJob || facts.job.name != m_job.name;
    // Another model is driven anew; the same one goes on as it was. Where one has zoomed in to
    // measure, it stays so while its length stays.
    if (another) m_operating = {};
    const bool other = another || facts.job.units.size() != m_job.units.size() ||
                       core::lengthOf(facts.job) != core::lengthOf(m_job) ||
                       (m_fitted && !sameBodies(facts.job, m_job));
    m_job = facts.job;
    m_facts.emplace(core::JobAnalysis{m_job, facts.house, facts.catalogue, facts.groups, {}});
    m_hasJob = true;
    m_overlay = overlay;
    m_subject = subject;
    m_tried.clear();
    if (another) {
        m_shown = {};
        m_probes = {};
    }
    light();
    placePanel();
    if (other) fit();
    update();
}

void PictureView::showTried(const core::JobAnalysis& facts, const QString& with) {
    show(facts, m_overlay, m_subject);
    m_tried = with;
}

void PictureView::put(const PictureOverlay& shown) {
    const bool relit = static_cast<bool>(shown.relit);
    const bool relitBefore = static_cast<bool>(m_shown.relit);
    m_shown = shown;
    if (relit && !relitBefore) {
        m_darkForIt = !m_dark;
        setDark(true);
    } else if (!relit && std::exchange(m_darkForIt, false)) {
        setDark(false);
    }
    if (m_hasJob && (relit || relitBefore)) light();
    update();
}

void PictureView::showNothing() {
    m_hasJob = false;
    m_facts.reset();
    m_panel->hide();
    m_lamps.clear();
    m_targets.clear();
    update();
}

void PictureView::setDark(bool dark) {
    if (dark == m_dark) return;
    m_dark = dark;
    if (m_hasJob) light();
    placePanel();
    if (m_fitted) fit();
    update();
    emit darkChanged(dark);
}

void PictureView::fit() {
    m_fitted = true;
    if (!m_hasJob) return;
    // The panel takes its strip away from the picture.
    const QSize free(width(), height() - (m_panel->isHidden() ? 0 : m_panel->height()));
    m_units = trainLayout(m_job, free);
    update();
}

void PictureView::zoom(qreal factor, const QPointF& about) {
    for (MatView& unit : m_units) {
        const qreal scale = qBound(leastScale, unit.scale * factor, mostScale);
        unit.origin = about + (unit.origin - about) * (scale / unit.scale);
        unit.scale = scale;
    }
    m_fitted = false;
    update();
}

void PictureView::move(const QPointF& by) {
    for (MatView& unit : m_units) unit.origin += by;
}

void KeptLayers::paint(QPainter& onto, std::vector<Target>& targets,
                       const std::function<void(QPainter&)>& draw) {
    if (m_next == m_layers.size()) m_layers.emplace_back(Qt::transparent);
    const auto before = static_cast<std::ptrdiff_t>(targets.size());
    m_layers[m_next++].paint(onto, [&](QPainter& layer) {
        targets.erase(targets.begin() + before, targets.end());
        draw(layer);
    });
}

void PictureView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    if (!m_hasJob) return paintMat(painter, view(), rect(), false);
    const SceneInput scene{m_job,     *m_facts, m_units,       m_lamps,
                           m_subject, m_dark,   m_shown.track, m_probes};
    PartBoxes parts;
    m_model.paint(painter, [&](QPainter& onto) {
        paintMat(onto, view(), rect(), m_dark);
        m_targets.clear();
        parts = paintModel(onto, scene, m_targets);
    });
    painter.setRenderHint(QPainter::Antialiasing);
    m_layers.begin();
    if (!m_dark && m_overlay) m_overlay({painter, scene, parts, m_targets, m_layers});
    // What light the room has lies on everything alike.
    if (m_dark && m_operating.room != core::RoomLight::Dark) {
        QColor room(0xFF, 0xE8, 0xC8);
        room.setAlphaF(m_operating.room == core::RoomLight::Dim ? 0.06F : 0.2F);
        painter.fillRect(rect(), room);
    }
    const auto lamps = [&](QPainter& onto) { paintLamps(onto, scene, m_targets); };
    if (m_dark)
        lamps(painter);  // screened onto what is there
    else
        m_layers.paint(painter, m_targets, lamps);
    if (!m_dark) paintSpots(painter, scene, m_targets);

    // How large it is shown: one millimetre of screen for one of the model is "true size".
    const qreal perMillimetre = screen() ? screen()->physicalDotsPerInch() / 25.4 : 3.8;
    const QString size = tr("%1, 1:%2 · shown %3 × true size")
                             .arg(qs(m_job.scale.name),
                                  qs(core::formatted(m_job.scale.ratio, core::Dimension::Ratio)),
                                  QString::number(view().scale / perMillimetre, 'f', 1));
    const QColor ink = m_dark ? QColor(0x9A, 0xA0, 0x9A) : theme().matInk;
    paintLegend(painter, QPointF(width() - 10, 8), size, Qt::AlignRight, ink,
                m_dark ? QColor(0, 0, 0) : theme().mat);
    if (m_dark) {
        const bool lit = std::any_of(m_lamps.begin(), m_lamps.end(),
                                     [](const core::LitLamp& lamp) { return lamp.brightness > 0; });
        const auto caption = [&](qreal y, const QString& words) {
            paintLegend(painter, QPointF(10, y), words, Qt::AlignLeft, ink, QColor(0, 0, 0));
        };
        caption(8, lit ? tr("roughly what an eye would find") : tr("no lamp is seen"));
        if (lit) caption(28, tr("walls and gaps only where they were told"));
    }
    if (const QString shown = !m_tried.isEmpty()         ? tr("tried: %1").arg(m_tried)
                              : !m_shown.words.isEmpty() ? tr("as if: %1").arg(m_shown.words)
                                                         : QString();
        !shown.isEmpty()) {
        paintLegend(painter, QPointF(width() - 10, 28), shown, Qt::AlignRight,
                    m_dark ? QColor(0xF0, 0xF2, 0xE2) : theme().matInk,
                    m_dark ? QColor(0, 0, 0) : theme().mat);
    }
    if (const auto now = dragged()) {
        painter.setPen(QPen(theme().brass, 1.6, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(now->where);
        paintLegend(painter, now->where.topLeft() + QPointF(0, -6), now->words,
                    Qt::AlignLeft | Qt::AlignBottom, theme().matInk, theme().mat);
    }
    if (hasFocus() && m_focused >= 0 && static_cast<std::size_t>(m_focused) < m_targets.size()) {
        painter.setPen(QPen(theme().brass.lighter(140), 2, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(
            m_targets[static_cast<std::size_t>(m_focused)].where.adjusted(-3, -3, 3, 3));
    }
}

void PictureView::resizeEvent(QResizeEvent*) {
    placePanel();
    if (m_fitted) fit();
}

void PictureView::wheelEvent(QWheelEvent* event) {
    zoom(std::pow(1.0015, event->angleDelta().y()), event->position());
    event->accept();
}

const Target* PictureView::at(const QPointF& where) const {
    // What is painted last lies on top.
    for (auto it = m_targets.rbegin(); it != m_targets.rend(); ++it) {
        if (it->where.contains(where)) return &*it;
    }
    return nullptr;
}

void PictureView::press(const Target& target) {
    if (target.probes) {
        target.probes(m_probes);
        update();
        return;
    }
    if (const QString line = target.line; !line.isEmpty()) {
        emit jotChosen(line);
        return;
    }
    const QString jot = target.jot;
    const std::string subject = target.subject;
    if (!subject.empty()) emit subjectChosen(subject);
    if (!jot.isEmpty()) emit jotOffered(jot);
    offerLikely(this, mapToGlobal(target.where.bottomLeft().toPoint()), target.tip, target.likely,
                [this](const QString& line) { emit jotChosen(line); });
}

std::optional<Dragged> PictureView::dragged() const {
    if (!m_moved || !m_grabbed || m_inHand < 0 ||
        static_cast<std::size_t>(m_inHand) >= m_targets.size()) {
        return {};
    }
    const Target& target = m_targets[static_cast<std::size_t>(m_inHand)];
    if (!target.drag) return {};
    const QPointF by = m_draggedTo - *m_grabbed;
    return target.drag(
        {core::Millimetres{by.x() / view().scale}, core::Millimetres{-by.y() / view().scale}});
}

void PictureView::nudge(const Target& target, const QKeyEvent& event) {
    const core::Millimetres step{event.modifiers() & Qt::ShiftModifier ? 1.0 : 0.1};
    const core::Millimetres none{0};
    core::Point by;
    switch (event.key()) {
        case Qt::Key_Left:
            by = {-step, none};
            break;
        case Qt::Key_Right:
            by = {step, none};
            break;
        case Qt::Key_Up:
            by = {none, step};
            break;
        default:
            by = {none, -step};
            break;
    }
    emit jotChosen(target.drag(by).line);
}

void PictureView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    m_grabbed = event->position();
    m_moved = false;
    const Target* target = at(*m_grabbed);
    m_inHand = target && target->drag ? static_cast<int>(target - m_targets.data()) : -1;
}

void PictureView::mouseMoveEvent(QMouseEvent* event) {
    if (m_grabbed && (event->buttons() & Qt::LeftButton)) {
        const QPointF by = event->position() - *m_grabbed;
        if (!m_moved && by.manhattanLength() < 6) return;
        m_moved = true;
        if (m_inHand >= 0) {
            m_draggedTo = event->position();
            update();
            return;
        }
        m_fitted = false;
        move(by);
        m_grabbed = event->position();
        update();
        return;
    }
    const Target* target = at(event->position());
    const bool leads =
        target && (!target->jot.isEmpty() || !target->subject.empty() || !target->likely.empty() ||
                   target->probes || !target->line.isEmpty());
    setCursor(target && target->drag ? Qt::SizeAllCursor
              : leads                ? Qt::PointingHandCursor
                                     : Qt::CrossCursor);
}

void PictureView::mouseReleaseEvent(QMouseEvent* event) {
    if (!m_grabbed) return;
    const auto now = dragged();
    m_grabbed.reset();
    m_inHand = -1;
    if (now) emit jotChosen(now->line);
    if (m_moved) {
        update();
        return;
    }
    if (const Target* target = at(event->position())) press(*target);
}

void PictureView::keyPressEvent(QKeyEvent* event) {
    const QPointF middle = rect().center();
    const qreal step = 30;
    const bool arrow = event->key() >= Qt::Key_Left && event->key() <= Qt::Key_Down;
    if (arrow && (event->modifiers() & Qt::ControlModifier) && m_focused >= 0 &&
        static_cast<std::size_t>(m_focused) < m_targets.size()) {
        const Target& target = m_targets[static_cast<std::size_t>(m_focused)];
        if (target.drag) nudge(target, *event);
        return;
    }
    if (event->key() == Qt::Key_Escape && m_grabbed) {
        m_grabbed.reset();
        m_inHand = -1;
        update();
        return;
    }
    if (event->key() == Qt::Key_Escape && !(m_probes.red + m_probes.black).empty()) {
        m_probes.red.clear();
        m_probes.black.clear();
        update();
        return;
    }
    switch (event->key()) {
        case Qt::Key_Plus:
            zoom(1.25, middle);
            return;
        case Qt::Key_Minus:
            zoom(0.8, middle);
            return;
        case Qt::Key_0:
            fit();
            return;
        case Qt::Key_Left:
            move({step, 0});
            break;
        case Qt::Key_Right:
            move({-step, 0});
            break;
        case Qt::Key_Up:
            move({0, step});
            break;
        case Qt::Key_Down:
            move({0, -step});
            break;
        case Qt::Key_Return:
        case Qt::Key_Enter:
            if (m_focused >= 0 && static_cast<std::size_t>(m_focused) < m_targets.size()) {
                press(m_targets[static_cast<std::size_t>(m_focused)]);
            }
            return;
        default:
            QWidget::keyPressEvent(event);
            return;
    }
    m_fitted = false;
    update();
}

bool PictureView::focusNextPrevChild(bool next) {
    const int count = static_cast<int>(m_targets.size());
    const int to = m_focused + (next ? 1 : -1);
    if (hasFocus() && to >= 0 && to < count) {
        m_focused = to;
        const QString tip = m_targets[static_cast<std::size_t>(to)].tip;
        setAccessibleName(tr("Picture of the model: %1").arg(tip));
        QToolTip::showText(
            mapToGlobal(m_targets[static_cast<std::size_t>(to)].where.bottomRight().toPoint()), tip,
            this);
        update();
        return true;
    }
    m_focused = -1;
    setAccessibleName(tr("Picture of the model, to scale"));
    update();
    return QWidget::focusNextPrevChild(next);
}

bool PictureView::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const Target* target = at(help->pos());
        QToolTip::showText(help->globalPos(), target ? target->tip : QString(), this);
        return true;
    }
    return QWidget::event(event);
}

}  // namespace glimmet::app
