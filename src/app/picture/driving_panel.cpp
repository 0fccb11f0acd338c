#include "app/picture/driving_panel.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <QAbstractButton>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

const QColor ground(0x10, 0x12, 0x11), dim(0x9A, 0xA0, 0x9A), bright(0xF0, 0xF2, 0xE2),
    edge(0x4A, 0x50, 0x4B);

}  // namespace

/// A key of a hand-held controller: pressed in it shows a bar of light.
class KeyCap : public QAbstractButton {
public:
    explicit KeyCap(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setCursor(Qt::PointingHandCursor);
        setFocusPolicy(Qt::StrongFocus);
    }
    [[nodiscard]] QSize sizeHint() const override {
        return {qMax(40, QFontMetrics(wordsFont(13)).horizontalAdvance(text()) + 22), 38};
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        const QRectF cap = QRectF(rect()).adjusted(2, isChecked() ? 5 : 3, -2, -3);
        painter.setPen(QPen(hasFocus() ? theme().brass.lighter(140) : edge, hasFocus() ? 2 : 1.2));
        painter.setBrush(isChecked() ? QColor(0x2C, 0x30, 0x2C) : QColor(0x1C, 0x1F, 0x1D));
        painter.drawRoundedRect(cap, 4, 4);
        painter.setFont(wordsFont(13, isChecked()));
        painter.setPen(isChecked() ? bright : dim);
        painter.drawText(cap.adjusted(0, 0, 0, -4), Qt::AlignCenter, text());
        painter.fillRect(QRectF(cap.left() + 8, cap.bottom() - 6, cap.width() - 16, 3),
                         isChecked() ? QColor(0xF2, 0xB8, 0x4B) : QColor(0x30, 0x34, 0x31));
    }
};

/// Volts from nothing to a little above what the job has; ticks where lamps come on.
class VoltsScale : public QWidget {
    Q_OBJECT
public:
    explicit VoltsScale(QWidget* parent) : QWidget(parent) {
        setObjectName(u"trackVolts"_s);
        setFocusPolicy(Qt::StrongFocus);
        setCursor(Qt::PointingHandCursor);
        setMinimumWidth(220);
        setFixedHeight(56);
    }
    struct Tick {
        double volts;
        QString words;
    };
    void show(double volts, double own, std::vector<Tick> ticks, const QString& awake,
              double awakeAt) {
        m_volts = volts;
        m_own = own;
        m_ticks = std::move(ticks);
        m_awake = awake;
        m_awakeAt = awakeAt;
        setAccessibleName(DrivingPanel::tr("Volts: %1").arg(words(volts)));
        QStringList tips;
        for (const Tick& tick : m_ticks) {
            tips += DrivingPanel::tr("%1 from %2").arg(tick.words, words(tick.volts));
        }
        if (!awake.isEmpty()) tips += awake;
        setAccessibleDescription(tips.join(u"; "_s));
        setToolTip(tips.join(u"\n"_s));
        update();
    }

signals:
    void turned(double volts);

protected:
    [[nodiscard]] static QString words(double volts) {
        return qs(core::formatted(core::Volts{volts}, 3));
    }
    [[nodiscard]] double end() const { return std::ceil(qMax(1.0, m_own * 1.15)); }
    [[nodiscard]] double xOf(double volts) const { return 14 + volts / end() * (width() - 92); }
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        constexpr double line = 36;
        painter.setPen(QPen(edge, 3, Qt::SolidLine, Qt::RoundCap));
        painter.drawLine(QPointF(xOf(0), line), QPointF(xOf(end()), line));
        painter.setPen(QPen(QColor(0xF2, 0xB8, 0x4B), 3, Qt::SolidLine, Qt::RoundCap));
        painter.drawLine(QPointF(xOf(0), line), QPointF(xOf(m_volts), line));
        painter.setFont(figuresFont(12));
        painter.setPen(QPen(dim, 1));
        for (int v = 0; v <= static_cast<int>(end()); v += end() > 12 ? 4 : 2) {
            painter.drawLine(QPointF(xOf(v), line + 3), QPointF(xOf(v), line + 7));
            painter.drawText(QRectF(xOf(v) - 14, line + 7, 28, 13), Qt::AlignCenter,
                             QString::number(v));
        }
        if (!m_awake.isEmpty()) {
            painter.setPen(QPen(dim, 1, Qt::DashLine));
            painter.drawLine(QPointF(xOf(m_awakeAt), 20), QPointF(xOf(m_awakeAt), line));
        }
        // Names step aside of one another: the next one that has room is written.
        painter.setFont(wordsFont(12));
        double free = -1;
        for (const Tick& tick : m_ticks) {
            const double x = xOf(tick.volts);
            painter.setPen(QPen(m_volts >= tick.volts ? bright : dim, 1.6));
            painter.drawLine(QPointF(x, 20), QPointF(x, line));
            if (x < free) continue;
            const double next = &tick == &m_ticks.back() ? width() : xOf((&tick)[1].volts);
            const double room = qMax(next, x + 90.0) - x - 6;
            const QString words = painter.fontMetrics().elidedText(
                tick.words, Qt::ElideRight, static_cast<int>(qMin(room, width() - x)));
            painter.drawText(QPointF(x - 2, 15), words);
            free = x + painter.fontMetrics().horizontalAdvance(words) + 6;
        }
        painter.setPen(QPen(hasFocus() ? theme().brass.lighter(140) : ground, 2));
        painter.setBrush(bright);
        const double x = xOf(m_volts);
        painter.drawPolygon(QPolygonF() << QPointF(x - 7, line + 9) << QPointF(x + 7, line + 9)
                                        << QPointF(x + 7, line) << QPointF(x, line - 7)
                                        << QPointF(x - 7, line));
        painter.setPen(bright);
        painter.setFont(figuresFont(15, true));
        painter.drawText(QRectF(width() - 74, line - 12, 70, 24), Qt::AlignRight | Qt::AlignVCenter,
                         words(m_volts));
    }
    void turn(double volts) {
        volts = qBound(0.0, std::round(volts * 10) / 10, end());
        if (!qFuzzyCompare(1 + volts, 1 + m_volts)) emit turned(volts);
    }
    void mousePressEvent(QMouseEvent* event) override { mouseMoveEvent(event); }
    void mouseMoveEvent(QMouseEvent* event) override {
        if (event->buttons() & Qt::LeftButton) {
            turn((event->position().x() - 14) / (width() - 92) * end());
        }
    }
    void mouseDoubleClickEvent(QMouseEvent*) override { turn(m_own); }
    void keyPressEvent(QKeyEvent* event) override {
        switch (event->key()) {
            case Qt::Key_Left:
            case Qt::Key_Down:
                return turn(m_volts - 0.1);
            case Qt::Key_Right:
            case Qt::Key_Up:
                return turn(m_volts + 0.1);
            case Qt::Key_PageDown:
                return turn(m_volts - 1);
            case Qt::Key_PageUp:
                return turn(m_volts + 1);
            case Qt::Key_Home:
                return turn(0);
            case Qt::Key_End:
                return turn(m_own);
            default:
                QWidget::keyPressEvent(event);
        }
    }

private:
    double m_volts = 0, m_own = 1, m_awakeAt = 0;
    std::vector<Tick> m_ticks;
    QString m_awake;
};

DrivingPanel::DrivingPanel(QWidget* parent)
    : QWidget(parent),
      m_all(new KeyCap(this)),
      m_reverse(new KeyCap(this)),
      m_room(new KeyCap(this)),
      m_row(new QHBoxLayout(this)),
      m_scale(new VoltsScale(this)) {
    setObjectName(u"driving"_s);
    setAccessibleName(tr("Driving in the dark"));
    m_row->setContentsMargins(10, 4, 10, 4);
    m_row->setSpacing(4);
    m_all->setText(tr("all on"));
    m_all->setObjectName(u"everyOutput"_s);
    m_all->setToolTip(tr("Every output on, whatever key and direction say"));
    m_reverse->setObjectName(u"reverse"_s);
    m_row->addWidget(m_all);
    m_row->addWidget(m_reverse);
    m_row->addSpacing(6);
    m_row->addWidget(m_scale, 1);
    m_room->setObjectName(u"room"_s);
    m_room->setToolTip(tr("How light the room is that it is looked at in: press for the next"));
    m_row->addWidget(m_room);
    connect(m_room, &QAbstractButton::clicked, this, [this] {
        core::Operating next = m_operating;
        next.room = next.room == core::RoomLight::Dark  ? core::RoomLight::Dim
                    : next.room == core::RoomLight::Dim ? core::RoomLight::Lit
                                                        : core::RoomLight::Dark;
        emit driven(next);
    });
    connect(m_all, &QAbstractButton::clicked, this, [this](bool on) {
        core::Operating next = m_operating;
        next.everything = on;
        emit driven(next);
    });
    connect(m_reverse, &QAbstractButton::clicked, this, [this](bool reverse) {
        core::Operating next = m_operating;
        next.forward = !reverse;
        next.everything = false;
        emit driven(next);
    });
    connect(m_scale, &VoltsScale::turned, this, [this](double volts) {
        core::Operating next = m_operating;
        next.volts = core::Volts{volts};
        emit driven(next);
    });
}

void DrivingPanel::show(const core::JobAnalysis& facts, const core::Operating& operating) {
    m_operating = operating;
    m_numbers = core::keysOf(facts.job);
    while (m_keys.size() < m_numbers.size()) {
        auto* key = new KeyCap(this);
        const std::size_t index = m_keys.size();
        m_row->insertWidget(2 + static_cast<int>(index), key);
        connect(key, &QAbstractButton::clicked, this, [this, index](bool on) {
            core::Operating next = m_operating;
            next.everything = false;
            if (on)
                next.keys.insert(m_numbers[index]);
            else
                next.keys.erase(m_numbers[index]);
            emit driven(next);
        });
        m_keys.push_back(key);
    }
    for (std::size_t i = 0; i < m_keys.size(); ++i) {
        m_keys[i]->setVisible(i < m_numbers.size());
        if (i >= m_numbers.size()) continue;
        m_keys[i]->setText(u"F%1"_s.arg(m_numbers[i]));
        m_keys[i]->setObjectName(u"key%1"_s.arg(m_numbers[i]));
        m_keys[i]->setChecked(!operating.everything && operating.keys.contains(m_numbers[i]));
        m_keys[i]->setToolTip(m_numbers[i] == 0
                                  ? tr("The light key: front and rear with the direction")
                                  : tr("Output %1, as decoders come from their makers; the "
                                       "decoder's own settings may map it otherwise")
                                        .arg(m_numbers[i]));
        m_keys[i]->setAccessibleName(tr("Key F%1").arg(m_numbers[i]));
    }
    m_all->setChecked(operating.everything);
    const bool driven = !m_numbers.empty() || core::railsTellDirection(facts.job);
    m_reverse->setVisible(driven);
    m_all->setVisible(driven);
    m_reverse->setChecked(!operating.forward);
    m_reverse->setText(operating.forward ? tr("← forward") : tr("reverse →"));
    m_reverse->setAccessibleName(operating.forward ? tr("Driven forward")
                                                   : tr("Driven in reverse"));
    m_room->setChecked(operating.room != core::RoomLight::Dark);
    m_room->setText(operating.room == core::RoomLight::Dark  ? tr("club room, dark")
                    : operating.room == core::RoomLight::Dim ? tr("one lamp on")
                                                             : tr("living room"));
    m_room->setAccessibleName(tr("Room: %1").arg(m_room->text()));
    updateGeometry();

    const double own = core::trackVolts(facts.job).value();
    std::vector<VoltsScale::Tick> ticks;
    const auto from = core::comesOnAt(facts, operating);
    for (std::size_t g = 0; g < from.size(); ++g) {
        if (from[g]) ticks.push_back({from[g]->value(), qs(facts.job.groups[g].name)});
    }
    std::stable_sort(ticks.begin(), ticks.end(),
                     [](const auto& a, const auto& b) { return a.volts < b.volts; });
    // What comes on together is named together.
    for (std::size_t i = 1; i < ticks.size();) {
        if (ticks[i].volts - ticks[i - 1].volts > 0.05) {
            ++i;
            continue;
        }
        ticks[i - 1].words += u", "_s + ticks[i].words;
        ticks.erase(ticks.begin() + static_cast<std::ptrdiff_t>(i));
    }
    const core::Awake awake = core::decoderAwake(facts.job);
    const QString wakes =
        facts.job.decoder
            ? (awake.assumed ? tr("below %1 the decoder itself is out (assumed: usual)")
                             : tr("below %1 the decoder itself is out (catalogue)"))
                  .arg(qs(core::formatted(awake.from, 2)))
            : QString();
    m_scale->show(operating.volts ? operating.volts->value() : own, own, std::move(ticks), wakes,
                  awake.from.value());
}

void DrivingPanel::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), ground);
    painter.fillRect(QRect(0, 0, width(), 1), edge);
}

}  // namespace glimmet::app

#include "driving_panel.moc"
