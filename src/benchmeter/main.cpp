// glimmet-benchmeter: a simulated bench meter and supply with the model of a job on it, for the
// demo and for trying things out without a meter. It speaks SCPI over TCP on this machine only.
#include "benchmeter/server.h"
#include "store/catalogue.h"
#include "store/job_json.h"

#include <QCommandLineParser>
#include <QCoreApplication>
#include <QSocketNotifier>

#include <unistd.h>

#include <fstream>
#include <iostream>
#include <sstream>

int main(int argc, char** argv) {
    QCoreApplication application(argc, argv);
    QCommandLineParser options;
    options.setApplicationDescription(
        QStringLiteral("A simulated bench meter and supply, with a model on it, for Glimmet's "
                       "demo. It speaks SCPI "
                       "over TCP and listens on this machine only."));
    options.addHelpOption();
    options.addPositionalArgument(
        QStringLiteral("job"),
        QStringLiteral("A job as JSON, whose readings are the truth; else the demo's"));
    const QCommandLineOption portOption(
        QStringLiteral("port"), QStringLiteral("The port to listen on; 0: one that is free"),
        QStringLiteral("PORT"), QStringLiteral("0"));
    const QCommandLineOption seedOption(QStringLiteral("seed"), QStringLiteral("Of the noise"),
                                        QStringLiteral("SEED"), QStringLiteral("1"));
    const QCommandLineOption untilInputEnds(
        QStringLiteral("until-input-ends"),
        QStringLiteral("Stop when standard input ends: with whoever started it"));
    options.addOptions({portOption, seedOption, untilInputEnds});
    options.process(application);
    bool portRead = false, seedRead = false;
    const std::uint16_t port = options.value(portOption).toUShort(&portRead);
    const unsigned seed = options.value(seedOption).toUInt(&seedRead);
    if (!portRead || !seedRead || options.positionalArguments().size() > 1) {
        std::cerr << "glimmet-benchmeter: one job, a port of 0 to 65535, a seed from 0.\n";
        return 2;
    }
    const std::string path = options.positionalArguments().value(0).toStdString();

    glimmet::core::Job job;
    if (path.empty()) {
        job = glimmet::store::demoJobs().front();
    } else {
        std::ifstream file(path);
        std::stringstream words;
        words << file.rdbuf();
        if (!file) {
            std::cerr << "glimmet-benchmeter: " << path << " cannot be read.\n";
            return 2;
        }
        auto read = glimmet::store::jobFromJson(words.str());
        if (!read) {
            std::cerr << "glimmet-benchmeter: " << path << ": "
                      << glimmet::core::plain(read.error().what) << "\n";
            return 2;
        }
        job = std::move(*read);
    }

    glimmet::benchmeter::Server server(glimmet::benchmeter::StandIn(std::move(job), seed));
    if (!server.listen(port)) {
        std::cerr << "glimmet-benchmeter: port " << port << ": " << server.fault().toStdString()
                  << "\n";
        return 1;
    }
    std::cout << "127.0.0.1:" << server.port() << std::endl;
    QSocketNotifier input(STDIN_FILENO, QSocketNotifier::Read);
    input.setEnabled(options.isSet(untilInputEnds));
    QObject::connect(&input, &QSocketNotifier::activated, &application, [] {
        char dropped[256];
        if (::read(STDIN_FILENO, dropped, sizeof dropped) <= 0) QCoreApplication::quit();
    });
    return QCoreApplication::exec();
}
