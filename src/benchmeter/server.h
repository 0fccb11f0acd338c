// The stand-in on a TCP port of this machine, and of no other.
#pragma once

#include "benchmeter/stand_in.h"

#include <QElapsedTimer>
#include <QTcpServer>

namespace glimmet::benchmeter {

class Server : public QObject {
    Q_OBJECT
public:
    explicit Server(StandIn standIn, QObject* parent = nullptr);

    /// Listens on the loopback address; port 0: one that is free. False, with the reason in
    /// fault(), where that cannot be.
    bool listen(quint16 port);
    [[nodiscard]] quint16 port() const { return m_server.serverPort(); }
    [[nodiscard]] QString fault() const { return m_server.errorString(); }

private:
    void talk(QTcpSocket* socket);
    StandIn m_standIn;
    QTcpServer m_server;
    QElapsedTimer m_clock;
};

}  // namespace glimmet::benchmeter
