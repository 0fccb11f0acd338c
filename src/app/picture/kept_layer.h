// A layer of a picture that is only drawn anew when it would come out otherwise.
#pragma once

#include <QByteArray>
#include <QColor>
#include <QImage>
#include <QRect>

#include <functional>
#include <vector>

class QPainter;

namespace glimmet::app {

/// Filling curves costs far more than saying them does. So a layer's drawing is written down each
/// time, and filled only when what is written down is not what it was. Nothing has to know what a
/// drawing depends on.
class KeptLayer {
public:
    /// What `draw` leaves free shows `ground`. An opaque one is put onto the picture faster.
    explicit KeptLayer(const QColor& ground) : m_ground(ground) {}
    /// `draw` paints the layer; it is called once, or twice where the layer comes out otherwise.
    void paint(QPainter& onto, const std::function<void(QPainter&)>& draw);
    /// How often it was filled: for tests.
    [[nodiscard]] int fills() const { return m_fills; }

private:
    QColor m_ground;
    QByteArray m_written;
    QImage m_filled;
    std::vector<QRect> m_tiles;  ///< of m_filled that anything lies in, in its pixels
    int m_fills = 0;
};

}  // namespace glimmet::app
