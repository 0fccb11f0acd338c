#include "app/picture/drawing_record.h"

#include <QDataStream>
#include <QPaintEngine>
#include <QPainterPath>

namespace glimmet::app {

/// Says that it can do everything, so that nothing is taken apart for it.
class DrawingRecord::Engine : public QPaintEngine {
public:
    Engine() : QPaintEngine(AllFeatures) {}
    [[nodiscard]] const QByteArray& written() const { return m_written; }
    [[nodiscard]] Type type() const override { return User; }
    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }

    void updateState(const QPaintEngineState& state) override {
        const DirtyFlags changed = state.state();
        put(changed);
        if (changed & DirtyPen) putPen(state.pen());
        if (changed & DirtyBrush) putBrush(state.brush());
        if (changed & DirtyBrushOrigin) put(state.brushOrigin());
        if (changed & DirtyBackground) putBrush(state.backgroundBrush());
        if (changed & DirtyBackgroundMode) put(state.backgroundMode());
        if (changed & DirtyTransform) putTransform(state.transform());
        if (changed & DirtyOpacity) put(state.opacity());
        if (changed & DirtyCompositionMode) put(state.compositionMode());
        if (changed & DirtyHints) put(state.renderHints());
        if (changed & DirtyClipEnabled) put(state.isClipEnabled());
        if (changed & DirtyClipRegion) putStreamed(state.clipRegion());
        if (changed & DirtyClipPath) putStreamed(state.clipPath());
    }

    void drawRects(const QRect* rects, int count) override { putAll('r', rects, count); }
    void drawRects(const QRectF* rects, int count) override { putAll('R', rects, count); }
    void drawLines(const QLine* lines, int count) override { putAll('l', lines, count); }
    void drawLines(const QLineF* lines, int count) override { putAll('L', lines, count); }
    void drawPoints(const QPoint* points, int count) override { putAll('p', points, count); }
    void drawPoints(const QPointF* points, int count) override { putAll('P', points, count); }
    void drawEllipse(const QRect& rect) override { putAll('e', &rect, 1); }
    void drawEllipse(const QRectF& rect) override { putAll('E', &rect, 1); }
    void drawPolygon(const QPoint* points, int count, PolygonDrawMode mode) override {
        putAll('g', points, count);
        put(mode);
    }
    void drawPolygon(const QPointF* points, int count, PolygonDrawMode mode) override {
        putAll('G', points, count);
        put(mode);
    }
    void drawPath(const QPainterPath& path) override {
        put('W');
        put(path.fillRule());
        put(path.elementCount());
        for (int i = 0; i < path.elementCount(); ++i) {
            const QPainterPath::Element& element = path.elementAt(i);
            put(element.x);
            put(element.y);
            put(element.type);
        }
    }
    void drawTextItem(const QPointF& where, const QTextItem& item) override {
        put('T');
        put(where);
        putStreamed(item.font());
        putStreamed(item.text());
        put(item.renderFlags());
    }
    void drawPixmap(const QRectF& where, const QPixmap& pixmap, const QRectF& from) override {
        put('X');
        put(where);
        put(pixmap.cacheKey());
        put(from);
    }
    void drawTiledPixmap(const QRectF& where, const QPixmap& pixmap, const QPointF& at) override {
        put('Y');
        put(where);
        put(pixmap.cacheKey());
        put(at);
    }
    void drawImage(const QRectF& where, const QImage& image, const QRectF& from,
                   Qt::ImageConversionFlags flags) override {
        put('I');
        put(where);
        put(image.cacheKey());
        put(from);
        put(flags);
    }

private:
    /// The bytes of a plain value without padding.
    template <class Plain>
    void put(const Plain& value) {
        m_written.append(reinterpret_cast<const char*>(&value), sizeof value);
    }
    template <class Plain>
    void putAll(char what, const Plain* values, int count) {
        put(what);
        put(count);
        m_written.append(reinterpret_cast<const char*>(values),
                         static_cast<qsizetype>(sizeof(Plain)) * count);
    }
    template <class Streamable>
    void putStreamed(const Streamable& value) {
        QByteArray bytes;
        QDataStream stream(&bytes, QIODevice::WriteOnly);
        stream << value;
        put(bytes.size());
        m_written.append(bytes);
    }
    void putTransform(const QTransform& by) {
        for (const qreal value : {by.m11(), by.m12(), by.m13(), by.m21(), by.m22(), by.m23(),
                                  by.m31(), by.m32(), by.m33()}) {
            put(value);
        }
    }
    void putBrush(const QBrush& brush) {
        put(brush.style());
        put(brush.color().rgba64());
        if (brush.gradient() || brush.style() == Qt::TexturePattern) putStreamed(brush);
        if (!brush.transform().isIdentity()) putTransform(brush.transform());
    }
    void putPen(const QPen& pen) {
        put(pen.style());
        put(pen.widthF());
        put(pen.capStyle());
        put(pen.joinStyle());
        put(pen.isCosmetic());
        if (pen.style() == Qt::CustomDashLine) putStreamed(pen);
        putBrush(pen.brush());
    }
    QByteArray m_written;
};

DrawingRecord::DrawingRecord(const QPaintDevice& like)
    : m_like(like), m_engine(std::make_unique<Engine>()) {}
DrawingRecord::~DrawingRecord() = default;

QPaintEngine* DrawingRecord::paintEngine() const { return m_engine.get(); }
const QByteArray& DrawingRecord::written() const { return m_engine->written(); }

int DrawingRecord::metric(PaintDeviceMetric metric) const {
    switch (metric) {
        case PdmWidth:
            return m_like.width();
        case PdmHeight:
            return m_like.height();
        case PdmWidthMM:
            return m_like.widthMM();
        case PdmHeightMM:
            return m_like.heightMM();
        case PdmNumColors:
            return m_like.colorCount();
        case PdmDepth:
            return m_like.depth();
        case PdmDpiX:
            return m_like.logicalDpiX();
        case PdmDpiY:
            return m_like.logicalDpiY();
        case PdmPhysicalDpiX:
            return m_like.physicalDpiX();
        case PdmPhysicalDpiY:
            return m_like.physicalDpiY();
        case PdmDevicePixelRatio:
            return m_like.devicePixelRatio() > 1 ? qCeil(m_like.devicePixelRatio()) : 1;
        case PdmDevicePixelRatioScaled:
            return qRound(m_like.devicePixelRatio() * devicePixelRatioFScale());
    }
    return QPaintDevice::metric(metric);
}

}  // namespace glimmet::app
