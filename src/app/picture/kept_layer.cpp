#include "app/picture/kept_layer.h"

#include "app/picture/drawing_record.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace glimmet::app {
namespace {

/// Wires and lamps leave most of a layer free, and what is free need not be put onto anything.
std::vector<QRect> tilesWithSomething(const QImage& image) {
    constexpr int side = 64;
    const auto something = [&](const QRect& tile) {
        for (int y = tile.top(); y <= tile.bottom(); ++y) {
            const auto* row = reinterpret_cast<const QRgb*>(image.constScanLine(y));
            if (std::any_of(row + tile.left(), row + tile.right() + 1,
                            [](QRgb pixel) { return pixel != 0; })) {
                return true;
            }
        }
        return false;
    };
    std::vector<QRect> tiles;
    for (int y = 0; y < image.height(); y += side) {
        for (int x = 0; x < image.width(); x += side) {
            const QRect tile = QRect(x, y, side, side) & image.rect();
            if (something(tile)) tiles.push_back(tile);
        }
    }
    return tiles;
}

}  // namespace

void KeptLayer::paint(QPainter& onto, const std::function<void(QPainter&)>& draw) {
    const QPaintDevice& device = *onto.device();
    const qreal ratio = device.devicePixelRatio();
    const QSize size = QSize(device.width(), device.height()) * ratio;
    DrawingRecord record(device);
    {
        QPainter writer(&record);
        draw(writer);
    }
    if (m_filled.size() != size || !qFuzzyCompare(m_filled.devicePixelRatio(), ratio) ||
        record.written() != m_written) {
        const bool opaque = m_ground.alpha() == 255;
        m_filled =
            QImage(size, opaque ? QImage::Format_RGB32 : QImage::Format_ARGB32_Premultiplied);
        m_filled.setDevicePixelRatio(ratio);
        m_filled.fill(m_ground);
        QPainter filler(&m_filled);
        draw(filler);
        filler.end();
        m_tiles = opaque ? std::vector{m_filled.rect()} : tilesWithSomething(m_filled);
        m_written = record.written();
        ++m_fills;
    }
    // Between whole pixels of the screen tiles would show their edges.
    if (qFuzzyCompare(ratio, std::floor(ratio))) {
        for (const QRect& tile : m_tiles)
            onto.drawImage(QPointF(tile.topLeft()) / ratio, m_filled, tile);
    } else {
        onto.drawImage(QPointF(0, 0), m_filled);
    }
}

}  // namespace glimmet::app
