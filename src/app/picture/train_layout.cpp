#include "app/picture/scene.h"

#include <algorithm>

namespace glimmet::app {
namespace {

// Room around for legends, lamps' beams and the mat's numbers; between rows for their legends.
constexpr qreal sides = 120;
constexpr qreal aboveAndBelow = 84;
constexpr qreal between = 58;

struct Row {
    std::size_t first = 0, last = 0;
    qreal length = 0, height = 0;  ///< mm
};

/// The units in order, each row as long as it may be.
std::vector<Row> rowsUpTo(const core::Job& job, qreal longest) {
    std::vector<Row> rows;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const core::Body& body = job.units[i].body;
        const qreal gap = i == 0 ? 0 : job.couplings[i - 1].gap.value();
        if (rows.empty() || rows.back().length + gap + body.length.value() > longest) {
            rows.push_back({i, i, body.length.value(), body.height.value()});
            continue;
        }
        Row& row = rows.back();
        row.last = i;
        row.length += gap + body.length.value();
        row.height = qMax(row.height, body.height.value());
    }
    return rows;
}

qreal scaleOf(const std::vector<Row>& rows, const QSizeF& area) {
    qreal length = 1;
    qreal height = 0;
    for (const Row& row : rows) {
        length = qMax(length, row.length);
        height += row.height;
    }
    const qreal gaps = between * static_cast<qreal>(rows.size() - 1);
    return qMin((area.width() - sides) / length,
                (area.height() - aboveAndBelow - gaps) / qMax(height, 1.0));
}

}  // namespace

std::vector<MatView> trainLayout(const core::Job& job, const QSizeF& area) {
    const qreal whole = core::lengthOf(job).value();
    std::vector<Row> best = rowsUpTo(job, whole * 1.001);
    for (std::size_t count = 2; count <= job.units.size(); ++count) {
        for (const qreal slack : {1.0, 1.15, 1.4}) {
            std::vector<Row> rows = rowsUpTo(job, whole / static_cast<qreal>(count) * slack);
            // One behind the other is how a train stands: rows only where they gain something.
            if (scaleOf(rows, area) > scaleOf(best, area) * 1.15) best = std::move(rows);
        }
    }
    const qreal scale = qBound(leastScale, scaleOf(best, area), mostScale);
    qreal high = between * static_cast<qreal>(best.size() - 1);
    for (const Row& row : best) high += row.height * scale;
    std::vector<MatView> units(job.units.size());
    qreal y = (area.height() - high) / 2 + 4;
    for (const Row& row : best) {
        y += row.height * scale;
        qreal x = (area.width() - row.length * scale) / 2;
        for (std::size_t i = row.first; i <= row.last; ++i) {
            if (i > row.first) x += job.couplings[i - 1].gap.value() * scale;
            units[i] = {scale, {x, y}};
            x += job.units[i].body.length.value() * scale;
        }
        y += between;
    }
    return units;
}

}  // namespace glimmet::app
