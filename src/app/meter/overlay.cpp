#include "app/meter/meter_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"

#include <QPainter>

#include <algorithm>

namespace glimmet::app {

void paintMeterOverlay(const OverlayInput& input) {
    const core::meter::Matrix& matrix = core::meter::matrixOf(input.scene.facts);
    const auto failed = std::find_if(matrix.rows.begin(), matrix.rows.end(), [](const auto& row) {
        return row.state == core::State::Over;
    });
    const core::meter::Row* row =
        failed != matrix.rows.end() ? &*failed : core::meter::nextRow(matrix);
    if (!row) return;
    const auto first = terminalAt(input.scene, input.parts, row->first);
    const auto second = terminalAt(input.scene, input.parts, row->second);
    const bool fails = row->state == core::State::Over;
    const Theme& look = theme();
    // The red one comes from the right: it is held to what stands further right.
    const bool turned =
        first && second && first->x() < second->x() && row->plus == core::meter::Plus::Either;
    const bool redSecond = turned || row->plus == core::meter::Plus::Second;
    if (first) paintProbe(input.painter, *first, redSecond ? ProbeColour::Black : ProbeColour::Red);
    if (second)
        paintProbe(input.painter, *second, redSecond ? ProbeColour::Red : ProbeColour::Black);
    const QPointF where = first ? *first : second ? *second : input.scene.units.front().at({});
    paintLegend(input.painter, where + QPointF(0, 14),
                fails ? tr("%1 fails").arg(said(row->words)) : said(row->words), Qt::AlignHCenter,
                fails ? look.over : look.matInk, look.mat);
}

}  // namespace glimmet::app
