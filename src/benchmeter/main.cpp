// glimmet-benchmeter: a simulated bench meter and supply with the model of a job on it, for the
// demo and for trying things out without a meter. It speaks SCPI over TCP on this machine only.
#include "benchmeter/server.h"
#include "store/catalogue.h"
#include "store/job_json.h"

#include <QCoreApplication>
#include <QSocketNotifier>

#include <CLI/CLI.hpp>
#include <unistd.h>

#include <fstream>
#include <iostream>
#include <sstream>

int main(int argc, char** argv) {
    CLI::App options(
        "A simulated bench meter and supply, with a model on it, for Glimmet's demo. It speaks "
        "SCPI "
        "over TCP and listens on this machine only.");
    std::string path;
    std::uint16_t port = 0;
    unsigned seed = 1;
    bool withInput = false;
    options.add_option("job", path, "A job as JSON, whose readings are the truth; else the demo's");
    options.add_option("--port", port, "The port to listen on; 0: one that is free")
        ->capture_default_str();
    options.add_option("--seed", seed, "Of the noise")->capture_default_str();
    options.add_flag("--until-input-ends", withInput,
                     "Stop when standard input ends: with whoever started it");
    CLI11_PARSE(options, argc, argv);

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

    QCoreApplication application(argc, argv);
    glimmet::benchmeter::Server server(glimmet::benchmeter::StandIn(std::move(job), seed));
    if (!server.listen(port)) {
        std::cerr << "glimmet-benchmeter: port " << port << ": " << server.fault().toStdString()
                  << "\n";
        return 1;
    }
    std::cout << "127.0.0.1:" << server.port() << std::endl;
    QSocketNotifier input(STDIN_FILENO, QSocketNotifier::Read);
    input.setEnabled(withInput);
    QObject::connect(&input, &QSocketNotifier::activated, &application, [] {
        char dropped[256];
        if (::read(STDIN_FILENO, dropped, sizeof dropped) <= 0) QCoreApplication::quit();
    });
    return QCoreApplication::exec();
}
