#include "benchmeter/server.h"

#include <QTcpSocket>

namespace glimmet::benchmeter {

namespace {
constexpr qint64 longestLine = 1024;
}

Server::Server(StandIn standIn, QObject* parent) : QObject(parent), m_standIn(std::move(standIn)) {
    m_clock.start();
    connect(&m_server, &QTcpServer::newConnection, this, [this] {
        while (QTcpSocket* socket = m_server.nextPendingConnection()) {
            connect(socket, &QTcpSocket::readyRead, this, [this, socket] { talk(socket); });
            connect(socket, &QTcpSocket::disconnected, socket, &QObject::deleteLater);
        }
    });
}

bool Server::listen(quint16 port) { return m_server.listen(QHostAddress::LocalHost, port); }

void Server::talk(QTcpSocket* socket) {
    while (socket->canReadLine()) {
        const QByteArray line = socket->readLine(longestLine + 1);
        const std::string answer =
            m_standIn.answer({line.constData(), static_cast<std::size_t>(line.size())},
                             static_cast<double>(m_clock.elapsed()) / 1000);
        if (!answer.empty()) socket->write(QByteArray::fromStdString(answer + "\n"));
    }
    // Whoever sends without end and without a line is no talker of SCPI.
    if (socket->bytesAvailable() > longestLine) socket->abort();
}

}  // namespace glimmet::benchmeter
