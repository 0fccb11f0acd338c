#include "app/lamps/mismatch_rows.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QPainter>
#include <QtConcurrent>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr std::size_t builds = 1000;
constexpr int pairs = 10;
constexpr double pairWidth = 21;

/// How many of ten; one where it is more than none.
int ofTen(const core::lamps::Mismatch& mismatch) {
    if (mismatch.builds == 0 || mismatch.uneven == 0) return 0;
    return std::max(1, static_cast<int>(std::lround(10.0 * static_cast<double>(mismatch.uneven) /
                                                    static_cast<double>(mismatch.builds))));
}

/// Ten pairs of lamps, the uneven ones with a hollow second.
void paintPairs(QPainter& painter, const QRectF& cell, int uneven) {
    const Theme& look = theme();
    const double y = cell.center().y();
    painter.setPen(QPen(look.ink, 1.2));
    for (int pair = 0; pair < pairs; ++pair) {
        const double x = cell.left() + pair * pairWidth + 6;
        const bool apart = pair < uneven;
        painter.setBrush(look.brass);
        painter.drawEllipse(QPointF(x, y), 4, 4);
        if (apart) painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(QPointF(x + 9.5, y), apart ? 3.2 : 4, apart ? 3.2 : 4);
    }
}

TableContent contentOf(const std::vector<core::lamps::MismatchLine>& lines) {
    TableContent made;
    made.note = MismatchRows::tr(
                    "Of ten builds, those whose lamps the eye finds uneven "
                    "(1 : 1.25); %1 were reckoned. Assumed: LEDs of one batch within "
                    "± 0.1 V.")
                    .arg(lines.front().mismatch.builds);
    made.columns = {{.least = 160, .share = 0.5},
                    {.least = qRound(pairs * pairWidth) + 4, .share = 0},
                    {.least = 124, .share = 0.5}};
    for (const core::lamps::MismatchLine& one : lines) {
        const core::lamps::Mismatch& mismatch = one.mismatch;
        const bool first = made.rows.empty();
        const int uneven = ofTen(mismatch);
        const double typical =
            mismatch.ratios.empty() ? 1 : mismatch.ratios[mismatch.ratios.size() / 2];
        TableRow row;
        row.line = qs(one.jot);
        row.cells = {
            {.words = said(one.what),
             .below = first             ? QString()
                      : one.jot.empty() ? MismatchRows::tr("held side by side, lit")
                                        : row.line,
             .strong = first,
             .figures = false},
            {.sketch = [uneven](QPainter& painter,
                                const QRectF& cell) { paintPairs(painter, cell, uneven); }},
            {.words = uneven == 0 ? MismatchRows::tr("none of 10 builds")
                                  : MismatchRows::tr("%1 of 10 builds").arg(uneven),
             .below = mismatch.over > 0
                          ? MismatchRows::tr("over in %1").arg(mismatch.over)
                          : MismatchRows::tr("1 : %1").arg(QString::number(typical, 'f', 2)),
             .state = uneven > 1 ? core::State::Close : core::State::Fine,
             .strong = true}};
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

MismatchRows::MismatchRows(QWidget* parent) : Table(parent) {
    setObjectName(u"mismatchRows"_s);
    setAccessibleName(tr("Builds"));
    connect(&m_watcher, &QFutureWatcherBase::finished, this, &MismatchRows::finished);
}

MismatchRows::~MismatchRows() {
    m_stop.request_stop();
    m_watcher.waitForFinished();
}

void MismatchRows::finished() {
    if (m_watcher.isCanceled()) return;
    auto lines = m_watcher.result();
    if (m_stop.stop_requested()) return;  // something else was asked meanwhile
    m_lines = std::move(lines);
    if (!m_lines.empty()) show(contentOf(m_lines));
}

void MismatchRows::showGroup(const core::JobAnalysis& facts, const core::LampGroup* group) {
    m_stop.request_stop();
    m_lines.clear();
    m_asked.reset();
    const bool several =
        group && facts.group(group->id) && !group->isBulbs() && group->rows.size() > 1;
    TableContent waiting;
    waiting.empty = several ? tr("Building it a thousand times …")
                            : tr("With several lamps in a group it stands here in how many builds "
                                 "they would look uneven, because no two LEDs are alike.");
    show(std::move(waiting));
    if (several) m_asked = Asked{facts.job, group->id, facts.house};
    if (isVisible()) begin();
}

void MismatchRows::showEvent(QShowEvent* event) {
    Table::showEvent(event);
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

}  // namespace glimmet::app
