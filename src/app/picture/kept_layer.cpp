#include "app/picture/kept_layer.h"

#include "app/picture/drawing_record.h"

#include <QPainter>

namespace glimmet::app {

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
        m_filled = QPixmap(size);
        m_filled.setDevicePixelRatio(ratio);
        m_filled.fill(m_ground);
        QPainter filler(&m_filled);
        draw(filler);
        m_written = record.written();
        ++m_fills;
    }
    onto.drawPixmap(0, 0, m_filled);
}

}  // namespace glimmet::app
