// glimmet-cli: the same reckoning without a window. Exit status: 0 done, 1 done and something is
// over (with --strict), 2 bad input with one line per fault on standard error.
#include "cli/check.h"
#include "cli/exchange.h"
#include "cli/reckon.h"
#include "cli/spice.h"
#include "store/catalogue.h"

#include <CLI/CLI.hpp>

#include <filesystem>
#include <fstream>
#include <iostream>
#include <iterator>

namespace {

using namespace glimmet;

enum ExitStatus { Done = 0, VerdictOver = 1, BadInput = 2 };

int complain(const std::vector<std::string>& faults) {
    for (const std::string& fault : faults) std::cerr << fault << '\n';
    return BadInput;
}

/// A whole file, or standard input for "-"; else the line to complain with.
tl::expected<std::string, std::string> contents(const std::string& path, const char* allowed) {
    if (path == "-") return std::string(std::istreambuf_iterator<char>(std::cin), {});
    std::error_code unknown;  // a folder opens, but reading it throws
    std::ifstream file;
    if (!std::filesystem::is_directory(path, unknown)) file.open(path, std::ios::binary);
    std::string text;
    if (file.is_open()) text.assign(std::istreambuf_iterator<char>(file), {});
    if (!file.is_open() || !file)
        return tl::unexpected(path + ": /: found no readable file, allowed: " + allowed);
    return text;
}

int spice(const std::string& path) {
    const auto netlist = contents(path, "a SPICE netlist, or -");
    if (!netlist) return complain({netlist.error()});
    const cli::SpiceRun result = cli::spiceRun(*netlist);
    std::vector<std::string> lines;
    for (const std::string& fault : result.faults) lines.push_back(path + ": " + fault);
    if (!lines.empty()) return complain(lines);
    std::cout << result.json << '\n';
    return Done;
}

int reckon(const std::string& kind, const std::string& path, bool strict) {
    if (!cli::isReckonKind(kind)) {
        return complain({"reckon: KIND: found “" + kind + "”, allowed: " + cli::reckonKinds()});
    }
    const auto input = contents(path, "a JSON file, or -");
    if (!input) return complain({input.error()});
    const cli::Reckoned result = cli::reckoned(kind, *input);
    if (!result.faults.empty()) {
        std::vector<std::string> lines;
        for (const store::Fault& fault : result.faults) {
            lines.push_back(path + ": " + store::sentence(fault));
        }
        return complain(lines);
    }
    std::cout << result.json << '\n';
    return strict && result.verdict == core::State::Over ? VerdictOver : Done;
}

}  // namespace

int main(int argc, char** argv) {
    CLI::App app{"glimmet-cli: the reckoning of Glimmet without a window", "glimmet-cli"};
    app.require_subcommand(1);
    bool strict = false;
    bool json = false;
    std::string path;
    std::string job;
    std::string kind;

    CLI::App* check = app.add_subcommand("check", "every check on every job");
    check->add_option("workshop-or-job", path, "a workshop file, or a job in JSON")->required();
    CLI::Option* jobOption = check->add_option("--job", job, "only the job of this name");
    check->add_flag("--json", json, "findings as JSON");
    check->add_flag("--strict", strict, "exit status 1 when something is over");

    CLI::App* reckonCommand = app.add_subcommand("reckon", "one calculation: JSON in, JSON out");
    reckonCommand->add_option("kind", kind, cli::reckonKinds())->required();
    std::string input = "-";
    reckonCommand->add_option("file", input, "a JSON file, or - for standard input");
    reckonCommand->add_flag("--strict", strict, "exit status 1 when the verdict is over");
    reckonCommand->add_flag("--json", json, "accepted everywhere; reckon always answers in JSON");

    CLI::App* spiceCommand = app.add_subcommand("spice", "run the analysis of a SPICE netlist");
    spiceCommand->add_option("file", input, "a netlist, or - for standard input")->required();
    spiceCommand->add_flag("--json", json, "the answer is in JSON in any case");

    std::string file;
    CLI::App* exportCommand = app.add_subcommand("export", "a job of a workshop as JSON");
    exportCommand->add_option("workshop", path)->required();
    exportCommand->add_option("--job", job, "which, where there are several");
    std::string moment;
    exportCommand->add_option("--at", moment, "as it was then, like 2026-03-31");
    std::string lamp;
    CLI::Option* lampOption =
        exportCommand->add_option("--lamp", lamp, "a lamp circuit of the job as a SPICE netlist");
    CLI::App* importCommand = app.add_subcommand("import", "a job in JSON into a workshop");
    importCommand->add_option("workshop", path)->required();
    importCommand->add_option("file", file)->required();

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& error) {
        const int status = app.exit(error);
        return status == 0 ? Done : BadInput;
    }
    if (*reckonCommand) return reckon(kind, input, strict);
    if (*spiceCommand) return spice(input);
    if (*check) {
        const cli::Checked result =
            cli::checked(path, *jobOption ? std::optional<std::string>(job) : std::nullopt,
                         store::userCatalogueFile().toStdString());
        if (!result.faults.empty()) return complain(result.faults);
        std::cout << (json ? cli::asJson(result) + "\n" : cli::asText(result));
        return strict && result.worst() == core::State::Over ? VerdictOver : Done;
    }
    const cli::Exchanged result = !*exportCommand ? cli::imported(path, file)
                                  : *lampOption   ? cli::exportedLamp(path, job, lamp)
                                                  : cli::exported(path, job, moment);
    if (!result.faults.empty()) return complain(result.faults);
    std::cout << result.out;
    return Done;
}
