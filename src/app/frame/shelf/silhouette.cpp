#include "app/frame/shelf/silhouette.h"

#include <QTransform>

namespace glimmet::app {

QPainterPath silhouette(const std::vector<const core::Body*>& bodies, const QRectF& where) {
    QPainterPath all;
    qreal length = 0;
    qreal height = 1;
    for (const core::Body* body : bodies) {
        QPainterPath shape;
        shape.setFillRule(Qt::OddEvenFill);
        const auto add = [&](const std::vector<core::Point>& outline) {
            QPolygonF polygon;
            for (const core::Point& point : outline) {
                polygon << QPointF(length + point.x.value(), -point.z.value());
            }
            shape.addPolygon(polygon);
            shape.closeSubpath();
        };
        add(body->profile);
        for (const auto& opening : body->openings) add(opening);
        QPainterPath wheels;
        for (const core::Axle& axle : body->axles) {
            const qreal r = axle.diameter.value() / 2;
            wheels.addEllipse(QPointF(length + axle.x.value(), -r), r, r);
        }
        all.addPath(shape.united(wheels));
        length += body->length.value() * (body == bodies.back() ? 1.0 : 1.02);
        height = qMax(height, body->height.value());
    }
    const qreal scale = qMin(where.width() / qMax(length, 1.0), where.height() / height);
    const qreal left = where.left() + (where.width() - scale * length) / 2;
    return QTransform(scale, 0, 0, scale, left, where.bottom()).map(all);
}

}  // namespace glimmet::app
