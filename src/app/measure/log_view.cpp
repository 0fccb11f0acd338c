#include "app/measure/log_view.h"

#include "app/measure/condition_words.h"
#include "app/plot/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/motor_evidence.h"
#include "core/quantity/format.h"
#include "core/work/measure/log_lines.h"

#include <QComboBox>
#include <QFile>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QMenu>
#include <QMouseEvent>
#include <QPushButton>
#include <QToolButton>
#include <QVBoxLayout>
#include <QtConcurrent>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr qint64 mostBytes = 256'000'000;
using Condition = std::optional<core::MotorCondition>;
constexpr Condition conditions[] = {core::MotorCondition::Light, core::MotorCondition::Hauling,
                                    core::MotorCondition::Slipping, core::MotorCondition::Stalled,
                                    std::nullopt};

QString wordOf(Condition condition) {
    return condition ? conditionWord(*condition) : LogView::tr("not used");
}

QString separatorWord(char separator) {
    switch (separator) {
        case '\t':
            return LogView::tr("tabs");
        case ' ':
            return LogView::tr("blanks");
        default:
            return LogView::tr("“%1”").arg(QLatin1Char(separator));
    }
}

}  // namespace

LogView::LogView(QWidget* parent)
    : QWidget(parent),
      m_plot(new Plot(this)),
      m_heads(new QHBoxLayout),
      m_says(new QLabel(this)),
      m_take(new QPushButton(this)) {
    setObjectName(u"logView"_s);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("A meter's log, cut into readings"));
    m_plot->surface()->installEventFilter(this);
    m_says->setTextFormat(Qt::PlainText);
    m_says->setObjectName(u"logSays"_s);
    m_says->setWordWrap(true);
    m_says->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_take->setObjectName(u"logTake"_s);
    auto* leave = new QPushButton(tr("Leave it"), this);
    leave->setObjectName(u"logLeave"_s);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(12, 0, 12, 6);
    foot->addWidget(m_says, 1);
    foot->addWidget(leave);
    foot->addWidget(m_take);
    m_heads->setContentsMargins(12, 4, 12, 0);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(2);
    column->addLayout(m_heads);
    column->addWidget(m_plot, 1);
    column->addLayout(foot);
    connect(leave, &QPushButton::clicked, this, &LogView::left);
    connect(m_take, &QPushButton::clicked, this, [this] { emit linesChosen(lines()); });
    connect(&m_reading, &QFutureWatcher<Read>::finished, this, &LogView::taken);
}

void LogView::setJob(const core::Job& job) {
    const auto motors = core::motorsOf(job);
    m_motors.clear();
    if (motors.size() > 1) {
        for (const core::MotorAt& at : motors)
            m_motors.push_back(core::motorCalled(job, *at.motor));
    }
    m_motor = std::min(m_motor, m_motors.empty() ? 0 : m_motors.size() - 1);
    m_winding = motors.empty()
                    ? std::nullopt
                    : core::motorPath(*motors[std::min(m_motor, motors.size() - 1)].motor);
}

void LogView::open(const QString& path) {
    m_path = path;
    m_parts.clear();
    m_log = {};
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly)) {
        emit refused(
            tr("%1 cannot be read: %2.").arg(QFileInfo(path).fileName(), file.errorString()));
        return;
    }
    if (file.size() > mostBytes) {
        emit refused(tr("%1 is larger than %2 MB: cut it down to the session.")
                         .arg(QFileInfo(path).fileName())
                         .arg(mostBytes / 1'000'000));
        return;
    }
    m_bytes = file.readAll();
    read(std::nullopt);
}

void LogView::read(std::optional<core::LogDialect> dialect) {
    m_says->setText(tr("Reading %1 …").arg(QFileInfo(m_path).fileName()));
    m_take->setEnabled(false);
    m_reading.setFuture(QtConcurrent::run([bytes = m_bytes, dialect, path = m_winding] {
        const std::string_view words(bytes.constData(), static_cast<std::size_t>(bytes.size()));
        Read made{dialect ? core::Result<core::LogDialect>(*dialect) : core::guessedDialect(words),
                  core::MeterLog{},
                  {}};
        if (!made.dialect) return made;
        made.log = core::meterLog(words, *made.dialect);
        if (made.log) made.parts = core::cutLog(made.log->rows, path);
        return made;
    }));
}

void LogView::taken() {
    Read made = m_reading.result();
    if (!made.dialect) {
        emit refused(tr("%1: %2").arg(QFileInfo(m_path).fileName(), said(made.dialect.error())));
        return;
    }
    m_log = {};
    m_log.dialect = *made.dialect;
    QString fault;
    if (made.log)
        m_log = std::move(*made.log);
    else
        fault = said(made.log.error());
    m_parts = std::move(made.parts);
    m_chosen = 0;
    while (m_chosen + 1 < m_parts.size() && !m_parts[m_chosen].condition) ++m_chosen;
    showHeads();
    draw();
    if (!fault.isEmpty()) m_says->setText(fault);
    setFocus(Qt::OtherFocusReason);
}

void LogView::showHeads() {
    while (QLayoutItem* item = m_heads->takeAt(0)) {
        if (item->widget()) item->widget()->deleteLater();
        delete item;
    }
    const core::LogDialect& dialect = m_log.dialect;
    auto* written = new QLabel(tr("Parted by %1, decimal %2.")
                                   .arg(separatorWord(dialect.separator),
                                        dialect.decimalComma ? tr("comma") : tr("point")),
                               this);
    written->setToolTip(QFileInfo(m_path).fileName());
    written->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_heads->addWidget(written, 1);
    struct Role {
        const char* id;
        QString title;
        std::optional<std::size_t> core::LogDialect::*column;
        double core::LogDialect::*unit;
        QString small, whole;
    };
    const Role roles[] = {{"logTime", tr("time"), &core::LogDialect::time,
                           &core::LogDialect::timeUnit, u"ms"_s, u"s"_s},
                          {"logVolts", tr("volts"), &core::LogDialect::volts,
                           &core::LogDialect::voltsUnit, u"mV"_s, u"V"_s},
                          {"logAmps", tr("current"), &core::LogDialect::amps,
                           &core::LogDialect::ampsUnit, u"mA"_s, u"A"_s}};
    for (const Role& role : roles) {
        auto* button = new QToolButton(this);
        button->setObjectName(QLatin1String(role.id));
        button->setPopupMode(QToolButton::InstantPopup);
        const auto column = dialect.*role.column;
        const double unit = dialect.*role.unit;
        button->setText(tr("%1: %2 in %3")
                            .arg(role.title,
                                 column ? qs(dialect.columns[*column]) : tr("no column"),
                                 unit < 1   ? role.small
                                 : unit > 1 ? tr("min")
                                            : role.whole));
        auto* menu = new QMenu(button);
        const auto offer = [&](const QString& words, core::LogDialect other) {
            menu->addAction(words, this, [this, other = std::move(other)] { read(other); });
        };
        for (std::size_t i = 0; i < dialect.columns.size(); ++i) {
            core::LogDialect other = dialect;
            for (const Role& each : roles) {
                if (other.*each.column == i) (other.*each.column).reset();
            }
            other.*role.column = i;
            offer(qs(dialect.columns[i]), std::move(other));
        }
        core::LogDialect none = dialect;
        (none.*role.column).reset();
        offer(tr("no column"), none);
        menu->addSeparator();
        for (const auto& [value, words] :
             {std::pair{1e-3, role.small}, std::pair{1.0, role.whole}}) {
            core::LogDialect other = dialect;
            other.*role.unit = value;
            offer(tr("in %1").arg(words), std::move(other));
        }
        button->setMenu(menu);
        m_heads->addWidget(button);
    }
    if (!m_motors.empty()) {
        auto* motors = new QComboBox(this);
        motors->setObjectName(u"logMotor"_s);
        for (const std::string& motor : m_motors) motors->addItem(tr("of %1").arg(qs(motor)));
        motors->setCurrentIndex(static_cast<int>(m_motor));
        connect(motors, &QComboBox::activated, this,
                [this](int index) { m_motor = static_cast<std::size_t>(index); });
        m_heads->addWidget(motors);
    }
}

QStringList LogView::lines() const {
    QStringList all;
    const std::string motor = m_motors.empty() ? std::string() : m_motors[m_motor];
    for (const std::string& line : core::measure::logLines(m_parts, motor)) all.append(qs(line));
    return all;
}

void LogView::draw() {
    const Theme& look = theme();
    double end = 1, amps = 0.01, volts = 1;
    QList<QPointF> ofAmps, ofVolts;
    for (const core::LogRow& row : m_log.rows) {
        ofAmps.append({row.time, std::abs(row.amps)});
        ofVolts.append({row.time, std::abs(row.volts)});
        amps = std::max(amps, std::abs(row.amps));
        volts = std::max(volts, std::abs(row.volts));
    }
    if (!m_log.rows.empty()) end = std::max(m_log.rows.back().time, 1e-3);
    m_plot->begin(
        {m_log.timed ? tr("seconds") : tr("readings (the log has no clock)"), end * 1.001},
        {tr("current (A)"), amps * 1.35});
    if (m_log.dialect.volts) m_plot->axisBeside({tr("voltage (V)"), volts * 1.35});
    drawParts(amps * 1.35);
    if (m_log.dialect.volts)
        m_plot->curve(ofVolts, QPen(look.inkSoft, 1, Qt::DotLine), {.beside = true});
    m_plot->curve(ofAmps, QPen(look.ink, 1.4));
    m_plot->finish();
    const qsizetype readings = lines().size();
    m_take->setEnabled(readings > 0);
    m_take->setText(readings == 1 ? tr("Enter this reading")
                                  : tr("Enter these %1 readings").arg(readings));
    if (!m_parts.empty()) say();
}

double LogView::timeOf(std::size_t row) const {
    if (m_log.rows.empty()) return 0;
    return row < m_log.rows.size() ? m_log.rows[row].time : m_log.rows.back().time;
}

void LogView::drawParts(double top) {
    const Theme& look = theme();
    const QFontMetrics letters(wordsFont(13));
    for (std::size_t i = 0; i < m_parts.size(); ++i) {
        const core::LogPart& part = m_parts[i];
        const double from = timeOf(part.from), to = timeOf(part.to);
        QColor fill = part.condition ? look.brass : look.inkSoft;
        fill.setAlphaF(i == m_chosen ? 0.30F : part.condition ? 0.13F : 0.05F);
        m_plot->block({from, top}, {to, 0}, fill);
        if (i > 0) m_plot->line({from, 0}, {from, top}, QPen(look.ink, 1, Qt::DashLine));
        const double pixels = m_plot->pixelOf({to, 0}).x() - m_plot->pixelOf({from, 0}).x();
        if (!part.condition && i != m_chosen) continue;
        QString words = wordOf(part.condition);
        if (pixels < letters.horizontalAdvance(words) && i != m_chosen) continue;
        if (part.condition) words += u'\n' + qs(core::formatted(part.amps, 3));
        m_plot->words({from, top * 0.993}, words, Qt::AlignLeft | Qt::AlignTop, look.ink);
    }
}

void LogView::say() {
    const core::LogPart& part = m_parts[m_chosen];
    QString says = tr("%1 of %2: %3, %4 s")
                       .arg(m_chosen + 1)
                       .arg(m_parts.size())
                       .arg(wordOf(part.condition),
                            QString::number(timeOf(part.to) - timeOf(part.from), 'f', 1));
    says += tr(", %1 ± %2")
                .arg(qs(core::formatted(part.amps, 4)), qs(core::formatted(part.scatter, 2)));
    if (part.volts > core::Volts{0}) says += tr(" at %1").arg(qs(core::formatted(part.volts, 4)));
    if (!part.steady) says += tr(" (not steady)");
    says += tr(". Guessed: press a part to name it, drag an edge to move it.");
    if (m_log.skipped > 0) says += tr(" %1 lines held no values.").arg(m_log.skipped);
    m_says->setText(says);
    m_says->setToolTip(says);
}

void LogView::name(std::size_t part, Condition condition) {
    if (part >= m_parts.size()) return;
    m_chosen = part;
    m_parts[part] = core::partOf(m_log.rows, m_parts[part].from, m_parts[part].to, condition);
    draw();
}

void LogView::moveEdge(std::size_t edge, std::size_t row) {
    if (edge == 0 || edge >= m_parts.size()) return;
    core::LogPart& before = m_parts[edge - 1];
    core::LogPart& behind = m_parts[edge];
    row = std::clamp(row, before.from + 1, behind.to - 1);
    if (row == behind.from) return;
    before = core::partOf(m_log.rows, before.from, row, before.condition);
    behind = core::partOf(m_log.rows, row, behind.to, behind.condition);
    draw();
}

QPoint LogView::placeOf(double seconds) const {
    const QPointF at(m_plot->pixelOf({seconds, 0}).x(), m_plot->inside().center().y());
    return m_plot->surface()->mapTo(this, at.toPoint());
}

std::size_t LogView::rowAt(int x) const {
    const double time = m_plot->valueAt(QPointF(x, 0)).x();
    const auto row = std::lower_bound(
        m_log.rows.begin(), m_log.rows.end(), time,
        [](const core::LogRow& each, double wanted) { return each.time < wanted; });
    return static_cast<std::size_t>(row - m_log.rows.begin());
}

std::optional<std::size_t> LogView::edgeAt(int x) const {
    for (std::size_t i = 1; i < m_parts.size(); ++i) {
        const double at = m_plot->pixelOf({m_log.rows[m_parts[i].from].time, 0}).x();
        if (std::abs(at - x) < 6) return i;
    }
    return std::nullopt;
}

std::optional<std::size_t> LogView::partAt(int x) const {
    const std::size_t row = rowAt(x);
    for (std::size_t i = 0; i < m_parts.size(); ++i) {
        if (row < m_parts[i].to) return i;
    }
    return std::nullopt;
}

bool LogView::eventFilter(QObject* watched, QEvent* event) {
    const bool mouseEvent = event->type() == QEvent::MouseButtonPress ||
                            event->type() == QEvent::MouseMove ||
                            event->type() == QEvent::MouseButtonRelease;
    if (watched != m_plot->surface() || m_parts.empty() || !mouseEvent) {
        return QWidget::eventFilter(watched, event);
    }
    const auto* mouse = static_cast<QMouseEvent*>(event);
    switch (event->type()) {
        case QEvent::MouseButtonPress:
            m_dragged = edgeAt(mouse->pos().x());
            m_moved = false;
            setFocus(Qt::MouseFocusReason);
            return true;
        case QEvent::MouseMove:
            if (m_dragged && (mouse->buttons() & Qt::LeftButton)) {
                m_moved = true;
                moveEdge(*m_dragged, rowAt(mouse->pos().x()));
            } else {
                m_plot->surface()->setCursor(edgeAt(mouse->pos().x()) ? Qt::SplitHCursor
                                                                      : Qt::PointingHandCursor);
            }
            return true;
        case QEvent::MouseButtonRelease: {
            const bool dragged = m_dragged && m_moved;
            m_dragged.reset();
            const auto part = partAt(mouse->pos().x());
            if (dragged || !part) return true;
            // The first press chooses, the next ones name.
            const auto* at =
                std::find(std::begin(conditions), std::end(conditions), m_parts[*part].condition);
            const auto next =
                static_cast<std::size_t>(at - std::begin(conditions) + 1) % std::size(conditions);
            if (*part == m_chosen) {
                name(*part, conditions[next]);
            } else {
                m_chosen = *part;
                draw();
            }
            return true;
        }
        default:
            return QWidget::eventFilter(watched, event);
    }
}

void LogView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape) {
        emit left();
        return;
    }
    if (m_parts.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    const int step = event->key() == Qt::Key_Left ? -1 : event->key() == Qt::Key_Right ? 1 : 0;
    if (step != 0 && (event->modifiers() & Qt::ShiftModifier)) {
        const std::size_t row = m_parts[m_chosen].from;
        if (step > 0 || row > 0) moveEdge(m_chosen, step > 0 ? row + 1 : row - 1);
        return;
    }
    if (step != 0) {
        const auto last = static_cast<std::ptrdiff_t>(m_parts.size()) - 1;
        m_chosen = static_cast<std::size_t>(
            std::clamp<std::ptrdiff_t>(static_cast<std::ptrdiff_t>(m_chosen) + step, 0, last));
        draw();
        return;
    }
    switch (event->key()) {
        case Qt::Key_L:
            name(m_chosen, core::MotorCondition::Light);
            return;
        case Qt::Key_H:
            name(m_chosen, core::MotorCondition::Hauling);
            return;
        case Qt::Key_S:
            name(m_chosen, core::MotorCondition::Slipping);
            return;
        case Qt::Key_T:
            name(m_chosen, core::MotorCondition::Stalled);
            return;
        case Qt::Key_Delete:
        case Qt::Key_0:
            name(m_chosen, std::nullopt);
            return;
        case Qt::Key_Return:
        case Qt::Key_Enter:
            if (m_take->isEnabled()) emit linesChosen(lines());
            return;
        default:
            QWidget::keyPressEvent(event);
    }
}

void LogView::resizeEvent(QResizeEvent*) {
    if (!m_parts.empty()) draw();
}

}  // namespace glimmet::app
