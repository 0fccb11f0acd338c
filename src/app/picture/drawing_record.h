// What a painter was told, written down instead of drawn, to be compared with another time's.
#pragma once

#include <QByteArray>
#include <QPaintDevice>

#include <memory>

namespace glimmet::app {

/// Two records of the same bytes draw the same onto devices like `like`. Equal drawings may still
/// come out as different records: of a brush, a font or a pixmap all is written down that is set.
class DrawingRecord : public QPaintDevice {
public:
    /// As large and as fine as another device: what asks the device for its measures gets those.
    explicit DrawingRecord(const QPaintDevice& like);
    ~DrawingRecord() override;
    DrawingRecord(const DrawingRecord&) = delete;
    DrawingRecord& operator=(const DrawingRecord&) = delete;
    [[nodiscard]] QPaintEngine* paintEngine() const override;
    [[nodiscard]] const QByteArray& written() const;

protected:
    [[nodiscard]] int metric(PaintDeviceMetric metric) const override;

private:
    class Engine;
    const QPaintDevice& m_like;
    std::unique_ptr<Engine> m_engine;
};

}  // namespace glimmet::app
