// The bench meter: an instrument that speaks SCPI over TCP. It is asked in its own time and never
// waited for; what goes wrong is said in a sentence.
#pragma once

#include "core/instrument/scpi.h"
#include "core/instrument/settled.h"
#include "core/quantity/dimension.h"

#include <QObject>
#include <QTcpSocket>
#include <QTimer>

#include <vector>

namespace glimmet::app {

class BenchMeter : public QObject {
    Q_OBJECT
public:
    struct Held {
        core::Dimension dimension{};
        core::Settled value;
    };
    /// How long it waits for what, in milliseconds.
    struct Patience {
        int answer = 1500, settling = 8000;
    };

    explicit BenchMeter(QObject* parent = nullptr);

    void setAddress(const core::scpi::Address& address);
    void setPatience(const Patience& patience) { m_patience = patience; }
    /// Asks for each in turn, again and again, until all have settled: then held(). What was held
    /// for before is dropped. `momentary`: the first readings count, settled or not. Range: each
    /// has a query (core::scpi::query).
    void hold(std::vector<core::Dimension> wanted, bool momentary = false);
    /// A line that is no question, sent when the meter is there.
    void send(const QByteArray& command);
    /// A question of one's own: its answer comes in answered().
    void ask(const QByteArray& question);
    [[nodiscard]] bool holding() const { return !m_wanted.empty(); }

signals:
    void identified(const QString& name);  ///< its *IDN? answer
    void answered(const QString& answer);
    void held(const std::vector<Held>& values);
    void failed(const QString& sentence);

private:
    void begin();
    void next();
    void answer(const QByteArray& line);
    void fail(const QString& sentence);
    void put(const QByteArray& line);
    [[nodiscard]] QString place() const;

    core::scpi::Address m_address;
    Patience m_patience;
    QTcpSocket m_socket;
    QTimer m_answerTime, m_settlingTime;
    bool m_known = false;  ///< it said who it is
    QList<QByteArray> m_own;
    bool m_awaitingOwn = false;
    std::vector<core::Dimension> m_wanted;
    std::vector<std::vector<double>> m_readings;  ///< as m_wanted
    bool m_momentary = false;
    std::size_t m_asked = 0;  ///< which of them is asked for
};

}  // namespace glimmet::app
