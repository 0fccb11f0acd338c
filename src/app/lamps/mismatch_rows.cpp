#include "app/lamps/mismatch_rows.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QtConcurrent>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr std::size_t builds = 1000;
constexpr int mismatchHead = 46;
constexpr int mismatchLine = 58;
constexpr int pairs = 10;
constexpr double pairWidth = 21;
constexpr int left = 16;
constexpr int wordsWidth = 190;

/// How many of ten; one where it is more than none.
int ofTen(const core::lamps::Mismatch& mismatch) {
    if (mismatch.builds == 0 || mismatch.uneven == 0) return 0;
    return std::max(1, static_cast<int>(std::lround(10.0 * static_cast<double>(mismatch.uneven) /
                                                    static_cast<double>(mismatch.builds))));
}

}  // namespace

MismatchRows::MismatchRows(QWidget* parent) : QWidget(parent) {
    setObjectName(u"mismatchRows"_s);
    setAccessibleName(tr("Builds"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    connect(&m_watcher, &QFutureWatcherBase::finished, this, [this] {
        if (m_watcher.isCanceled()) return;
        auto lines = m_watcher.result();
        if (m_stop.stop_requested()) return;  // something else was asked meanwhile
        m_lines = std::move(lines);
        m_chosen = std::min(m_chosen, m_lines.empty() ? 0 : m_lines.size() - 1);
        QStringList all;
        for (const auto& one : m_lines) {
            all << tr("%1: %2 of 10 builds look uneven")
                       .arg(said(one.what))
                       .arg(ofTen(one.mismatch));
        }
        setAccessibleDescription(all.join(u". "_s));
        updateGeometry();
        update();
    });
}

MismatchRows::~MismatchRows() {
    m_stop.request_stop();
    m_watcher.waitForFinished();
}

QSize MismatchRows::minimumSizeHint() const {
    return {
        left + wordsWidth + qRound(pairs * pairWidth) + 76,
        mismatchHead + static_cast<int>(std::max<std::size_t>(m_lines.size(), 3)) * mismatchLine};
}

void MismatchRows::show(const core::JobAnalysis& facts, const core::LampGroup* group) {
    m_stop.request_stop();
    m_lines.clear();
    m_asked.reset();
    m_none = !group || !facts.group(group->id) || group->isBulbs();
    m_severalRows = group && group->rows.size() > 1;
    if (!m_none) m_asked = Asked{facts.job, group->id, facts.house};
    if (isVisible()) begin();
    update();
}

void MismatchRows::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    begin();
}

/// Only what is looked at is worked out; what is under way for something else is left behind.
void MismatchRows::begin() {
    if (!m_asked) return;
    m_stop = std::stop_source();
    m_watcher.setFuture(QtConcurrent::run([asked = std::move(*m_asked), stop = m_stop.get_token()] {
        return core::lamps::mismatchLines(asked.job, asked.group, asked.house, builds, 1, {}, stop);
    }));
    m_asked.reset();
}

std::optional<std::size_t> MismatchRows::lineAt(const QPointF& at) const {
    const int index = static_cast<int>(std::floor((at.y() - mismatchHead) / mismatchLine));
    if (index < 0 || index >= static_cast<int>(m_lines.size())) return {};
    return static_cast<std::size_t>(index);
}

void MismatchRows::take(std::size_t index) {
    if (index < m_lines.size() && !m_lines[index].jot.empty()) {
        emit jotChosen(qs(m_lines[index].jot));
    }
}

void MismatchRows::mousePressEvent(QMouseEvent* event) {
    if (const auto at = lineAt(event->position())) {
        m_chosen = *at;
        take(*at);
        update();
    }
}
void MismatchRows::mouseMoveEvent(QMouseEvent* event) {
    const auto at = lineAt(event->position());
    setCursor(at && !m_lines[*at].jot.empty() ? Qt::PointingHandCursor : Qt::ArrowCursor);
}
void MismatchRows::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Down && m_chosen + 1 < m_lines.size()) {
        ++m_chosen;
    } else if (event->key() == Qt::Key_Up && m_chosen > 0) {
        --m_chosen;
    } else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        take(m_chosen);
    } else {
        QWidget::keyPressEvent(event);
        return;
    }
    update();
}

void MismatchRows::paintEvent(QPaintEvent*) {
    const Theme& look = theme();
    QPainter painter(this);
    painter.fillRect(rect(), look.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    const auto centred = [&](const QString& what) {
        painter.setFont(wordsFont(15));
        painter.setPen(look.ink);
        painter.drawText(rect().adjusted(24, 20, -24, -20), Qt::AlignCenter | Qt::TextWordWrap,
                         what);
    };
    if (m_none || !m_severalRows) {
        centred(
            tr("With several lamps in a group it stands here in how many builds they would look "
               "uneven, because no two LEDs are alike."));
        return;
    }
    if (m_lines.empty()) {
        centred(tr("Building it a thousand times …"));
        return;
    }
    painter.setFont(wordsFont(13));
    painter.setPen(look.inkSoft);
    painter.drawText(QRectF(left, 4, width() - left - 8, mismatchHead - 6),
                     Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap,
                     tr("Of ten builds, those whose lamps the eye finds uneven (1 : 1.25); %1 were "
                        "reckoned. Assumed: LEDs of one batch within ± 0.1 V.")
                         .arg(m_lines.front().mismatch.builds));
    for (std::size_t i = 0; i < m_lines.size(); ++i) {
        const core::lamps::MismatchLine& one = m_lines[i];
        const double top = mismatchHead + static_cast<double>(i) * mismatchLine;
        painter.setPen(QPen(look.paperEdge, 1));
        painter.drawLine(QPointF(10, top), QPointF(width() - 10, top));
        if (i == m_chosen && hasFocus()) {
            painter.setPen(QPen(look.brass, 2));
            painter.setBrush(Qt::NoBrush);
            painter.drawRoundedRect(QRectF(6, top + 3, width() - 12, mismatchLine - 6), 4, 4);
        }
        painter.setFont(wordsFont(14, i == 0));
        painter.setPen(one.jot.empty() ? look.ink : look.brass);
        painter.drawText(QRectF(left, top + 4, wordsWidth, 26), Qt::AlignLeft | Qt::AlignVCenter,
                         said(one.what));
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        const QString how = i == 0            ? QString()
                            : one.jot.empty() ? tr("held side by side, lit")
                                              : qs(one.jot);
        painter.drawText(
            QRectF(left, top + 28, wordsWidth - 8, 22), Qt::AlignLeft | Qt::AlignVCenter,
            QFontMetricsF(painter.font()).elidedText(how, Qt::ElideRight, wordsWidth - 8));
        const int uneven = ofTen(one.mismatch);
        const double y = top + mismatchLine / 2.0;
        for (int pair = 0; pair < pairs; ++pair) {
            const double x = left + wordsWidth + pair * pairWidth + 6;
            const bool apart = pair < uneven;
            QColor full = look.brass;
            painter.setPen(QPen(look.ink, 1.2));
            painter.setBrush(full);
            painter.drawEllipse(QPointF(x, y), 4, 4);
            if (apart) painter.setBrush(Qt::NoBrush);
            painter.drawEllipse(QPointF(x + 9.5, y), apart ? 3.2 : 4, apart ? 3.2 : 4);
        }
        const double at = left + wordsWidth + pairs * pairWidth + 8;
        const core::lamps::Mismatch& mismatch = one.mismatch;
        painter.setFont(figuresFont(14, true));
        painter.setPen(uneven > 1 ? look.close : look.ink);
        painter.drawText(QRectF(at, top + 4, 90, 26), Qt::AlignLeft | Qt::AlignVCenter,
                         uneven == 0 ? tr("none of 10") : tr("%1 of 10").arg(uneven));
        painter.setFont(figuresFont(13));
        painter.setPen(mismatch.over > 0 ? look.over : look.inkSoft);
        const double typical =
            mismatch.ratios.empty() ? 1 : mismatch.ratios[mismatch.ratios.size() / 2];
        painter.drawText(QRectF(at, top + 28, 96, 22), Qt::AlignLeft | Qt::AlignVCenter,
                         mismatch.over > 0 ? tr("over in %1").arg(mismatch.over)
                                           : tr("1 : %1").arg(QString::number(typical, 'f', 2)));
    }
}

}  // namespace glimmet::app
