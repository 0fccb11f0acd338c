#include "app/frame/bench_meter.h"

#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr qint64 longestAnswer = 4096;

/// What a reading about nothing may wander by: a digit of a usual meter.
double floorOf(core::Dimension dimension) {
    return dimension == core::Dimension::Current      ? 2e-4
           : dimension == core::Dimension::Resistance ? 0.02
                                                      : 2e-3;
}

}  // namespace

BenchMeter::BenchMeter(QObject* parent) : QObject(parent) {
    m_answerTime.setSingleShot(true);
    m_settlingTime.setSingleShot(true);
    connect(&m_socket, &QTcpSocket::connected, this, &BenchMeter::begin);
    connect(&m_socket, &QTcpSocket::readyRead, this, [this] {
        while (m_socket.canReadLine()) answer(m_socket.readLine(longestAnswer + 1).trimmed());
        if (m_socket.bytesAvailable() > longestAnswer) {
            fail(tr("The meter at %1 answers without end: that is no meter.").arg(place()));
        }
    });
    connect(&m_socket, &QTcpSocket::errorOccurred, this,
            [this](QAbstractSocket::SocketError error) {
                if (error == QAbstractSocket::RemoteHostClosedError) {
                    // Between two holds a meter may go; amid one it is said.
                    const bool amid = holding();
                    m_socket.abort();
                    m_known = false;
                    if (amid) fail(tr("The meter at %1 hung up amid a reading.").arg(place()));
                    return;
                }
                fail(error == QAbstractSocket::HostNotFoundError
                         ? tr("No host goes by the name %1. The meter's address is a house rule: "
                              "Ctrl+H.")
                               .arg(qs(m_address.host))
                         : tr("No meter answers at %1: %2. Is it switched on?")
                               .arg(place(), m_socket.errorString()));
            });
    connect(&m_answerTime, &QTimer::timeout, this, [this] {
        fail(m_known ? tr("The meter at %1 has not answered in time.").arg(place())
                     : tr("Nothing at %1 answers like a meter.").arg(place()));
    });
    connect(&m_settlingTime, &QTimer::timeout, this, [this] {
        const std::vector<double>& last = m_readings[m_asked];
        const auto [low, high] = std::minmax_element(
            last.end() - static_cast<std::ptrdiff_t>(std::min<std::size_t>(last.size(), 8)),
            last.end());
        fail(last.empty() ? tr("The reading does not settle.")
                          : tr("The reading does not settle: it wanders between %1 and %2.")
                                .arg(qs(core::formatted(*low, m_wanted[m_asked], 4)),
                                     qs(core::formatted(*high, m_wanted[m_asked], 4))));
    });
}

QString BenchMeter::place() const { return u"%1:%2"_s.arg(qs(m_address.host)).arg(m_address.port); }

void BenchMeter::setAddress(const core::scpi::Address& address) {
    if (address == m_address) return;
    m_socket.abort();
    m_known = false;
    m_wanted.clear();
    m_own.clear();
    m_answerTime.stop();
    m_settlingTime.stop();
    m_address = address;
}

void BenchMeter::hold(std::vector<core::Dimension> wanted, bool momentary) {
    const bool busy = m_answerTime.isActive();
    m_wanted = std::move(wanted);
    m_momentary = momentary;
    m_readings.assign(m_wanted.size(), {});
    m_asked = 0;
    m_settlingTime.start(m_patience.settling);
    if (m_socket.state() == QAbstractSocket::UnconnectedState) {
        m_known = false;
        m_answerTime.start(m_patience.answer);
        m_socket.connectToHost(qs(m_address.host), m_address.port);
    } else if (m_known) {
        // An answer that is still on its way belongs to what was asked before: a new talk is begun.
        if (busy) {
            m_socket.abort();
            hold(std::vector<core::Dimension>(m_wanted), momentary);
            return;
        }
        next();
    }
}

void BenchMeter::send(const QByteArray& command) { ask(command); }

void BenchMeter::ask(const QByteArray& question) {
    m_own.append(question);
    if (m_socket.state() == QAbstractSocket::UnconnectedState) {
        m_known = false;
        m_answerTime.start(m_patience.answer);
        m_socket.connectToHost(qs(m_address.host), m_address.port);
    } else if (m_known && !m_answerTime.isActive()) {
        next();
    }
}

void BenchMeter::begin() {
    m_answerTime.start(m_patience.answer);
    put(core::scpi::identity);
}

void BenchMeter::put(const QByteArray& line) { m_socket.write(line + '\n'); }

void BenchMeter::next() {
    if (m_answerTime.isActive()) return;  // one question at a time
    while (!m_own.isEmpty()) {
        const QByteArray line = m_own.takeFirst();
        put(line);
        if (!line.endsWith('?')) continue;
        m_awaitingOwn = true;
        m_answerTime.start(m_patience.answer);
        return;
    }
    if (m_wanted.empty()) return;
    m_answerTime.start(m_patience.answer);
    put(core::scpi::query(m_wanted[m_asked]));
}

void BenchMeter::answer(const QByteArray& line) {
    if (!m_answerTime.isActive()) return;  // nobody asked
    m_answerTime.stop();
    if (!m_known) {
        m_known = true;
        emit identified(QString::fromUtf8(line));
        next();
        return;
    }
    if (m_awaitingOwn) {
        m_awaitingOwn = false;
        emit answered(QString::fromUtf8(line));
        next();
        return;
    }
    if (m_wanted.empty()) return;
    const auto value = core::scpi::reading(line.toStdString());
    if (!value) {
        fail(said(value.error()));
        return;
    }
    m_readings[m_asked].push_back(*value);
    m_asked = (m_asked + 1) % m_wanted.size();
    if (m_asked == 0) {
        std::vector<Held> values;
        for (std::size_t i = 0; i < m_wanted.size(); ++i) {
            const auto rest = m_momentary ? core::atOnce(m_readings[i])
                                          : core::settled(m_readings[i], floorOf(m_wanted[i]));
            if (rest) {
                values.push_back({m_wanted[i], *rest});
            }
        }
        if (values.size() == m_wanted.size()) {
            m_wanted.clear();
            m_settlingTime.stop();
            emit held(values);
            next();
            return;
        }
    }
    next();
}

void BenchMeter::fail(const QString& sentence) {
    m_answerTime.stop();
    m_settlingTime.stop();
    m_wanted.clear();
    m_own.clear();
    m_awaitingOwn = false;
    m_known = false;
    m_socket.abort();
    emit failed(sentence);
}

}  // namespace glimmet::app
