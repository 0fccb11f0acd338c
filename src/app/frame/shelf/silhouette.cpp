#include "app/frame/shelf/silhouette.h"

#include <QTransform>

namespace glimmet::app {

QPainterPath silhouette(const core::Body& body, const QRectF& where) {
    QPainterPath shape;
    shape.setFillRule(Qt::OddEvenFill);
    const auto add = [&](const std::vector<core::Point>& outline) {
        QPolygonF polygon;
        for (const core::Point& point : outline) {
            polygon << QPointF(point.x.value(), -point.z.value());
        }
        shape.addPolygon(polygon);
        shape.closeSubpath();
    };
    add(body.profile);
    for (const auto& opening : body.openings) add(opening);
    QPainterPath wheels;
    for (const core::Axle& axle : body.axles) {
        const qreal r = axle.diameter.value() / 2;
        wheels.addEllipse(QPointF(axle.x.value(), -r), r, r);
    }
    shape = shape.united(wheels);
    const qreal scale =
        qMin(where.width() / body.length.value(), where.height() / body.height.value());
    const qreal left = where.left() + (where.width() - scale * body.length.value()) / 2;
    return QTransform(scale, 0, 0, scale, left, where.bottom()).map(shape);
}

}  // namespace glimmet::app
