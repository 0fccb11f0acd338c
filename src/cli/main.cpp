// glimmet-cli: the same reckoning without a window. Exit status: 0 done, 1 done and something is
// over (with --strict), 2 bad input with one line per fault on standard error.
#include "cli/check.h"
#include "cli/exchange.h"
#include "cli/input.h"
#include "cli/jot.h"
#include "cli/reckon.h"
#include "cli/sheet.h"
#include "cli/spice.h"
#include "store/catalogue.h"

#include <QDate>

#include <CLI/CLI.hpp>
#include <unistd.h>

#include <cstdlib>
#include <exception>
#include <iostream>
#include <new>

namespace {

using namespace glimmet;

enum ExitStatus { Done = 0, VerdictOver = 1, BadInput = 2 };

int complain(const std::vector<std::string>& faults) {
    for (const std::string& fault : faults) std::cerr << cli::escaped(fault) << '\n';
    return BadInput;
}

/// Wherever memory runs out, in whatever thread: a sentence, and nothing that is half done. It may
/// not need memory itself.
[[noreturn]] void outOfMemory() {
    constexpr std::string_view sentence =
        "glimmet-cli: there is not enough memory for this; nothing was changed\n";
    [[maybe_unused]] const auto written = ::write(STDERR_FILENO, sentence.data(), sentence.size());
    std::_Exit(BadInput);
}
[[noreturn]] void endWithWords() {
    try {
        if (const auto thrown = std::current_exception()) std::rethrow_exception(thrown);
    } catch (const std::bad_alloc&) {
        outOfMemory();
    } catch (const std::length_error&) {
        outOfMemory();
    } catch (...) {
    }
    std::abort();
}

int spice(const std::string& path) {
    const auto netlist = cli::contents(path, "a SPICE netlist, or -");
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
    const auto input = cli::contents(path, "a JSON file, or -");
    if (!input) return complain({input.error()});
    const cli::Calculated result = cli::calculated(kind, *input);
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
    std::set_new_handler(outOfMemory);
    std::set_terminate(endWithWords);
    for (int i = 1; i < argc; ++i) {
        if (cli::isUtf8(argv[i])) continue;
        return complain({std::string(argv[i]) +
                         ": /: found a name that is no UTF-8, allowed: UTF-8 "
                         "(rename the file, or give it a link with another name)"});
    }
    CLI::App app{"glimmet-cli: the reckoning of Glimmet without a window", "glimmet-cli"};
    app.require_subcommand(1);
    bool strict = false;
    bool json = false;
    std::string path;
    std::string job;
    std::string kind;

    CLI::App* check = app.add_subcommand("check", "every check on every job");
    check->add_option("workshop-or-job", path, "a workshop file, or a job in JSON")->required();
    CLI::Option* jobOption = check->add_option("--job", job, "only the jobs of this name");
    store::JobId id = 0;
    CLI::Option* idOption = check->add_option("--id", id, "only the job of this number");
    bool ownStations = false;
    check->add_flag("--workshop", ownStations, "the workshop's own stations: rules, districts");
    check->add_flag("--json", json, "findings as JSON");
    check->add_flag("--strict", strict, "exit status 1 when something is over");

    CLI::App* stages =
        app.add_subcommand("stages", "how each stage of a job stands, and what to do next");
    stages->add_option("workshop-or-job", path, "a workshop file, or a job in JSON")->required();
    CLI::Option* stagesJobOption = stages->add_option("--job", job, "only the jobs of this name");
    CLI::Option* stagesIdOption = stages->add_option("--id", id, "only the job of this number");
    stages->add_flag("--json", json, "as JSON");

    CLI::App* reckonCommand = app.add_subcommand("reckon", "one calculation: JSON in, JSON out");
    reckonCommand->add_option("kind", kind, cli::reckonKinds())->required();
    std::string input = "-";
    reckonCommand->add_option("file", input, "a JSON file, or - for standard input");
    reckonCommand->add_flag("--strict", strict, "exit status 1 when the verdict is over");
    reckonCommand->add_flag("--json", json, "accepted everywhere; reckon always answers in JSON");

    CLI::App* spiceCommand = app.add_subcommand("spice", "run the analysis of a SPICE netlist");
    spiceCommand->add_option("file", input, "a netlist, or - for standard input")->required();
    spiceCommand->add_flag("--json", json, "the answer is in JSON in any case");

    CLI::App* jotCommand = app.add_subcommand("jot", "jot lines, in order, on a job");
    std::vector<std::string> lines;
    bool dryRun = false;
    jotCommand->add_option("job-or-workshop", path, "a workshop file, or a job in JSON")
        ->required();
    CLI::Option* jotJobOption =
        jotCommand->add_option("--job", job, "which, where there are several");
    CLI::Option* jotIdOption =
        jotCommand->add_option("--id", id, "which, where several have one name");
    jotCommand->add_flag("--json", json, "what each line was taken for, and the job after them");
    jotCommand->add_flag("--dry-run", dryRun, "record nothing");
    bool ofWorkshop = false;
    jotCommand
        ->add_flag("--workshop", ofWorkshop, "speak to the workshop's own record: house rules")
        ->excludes(jotJobOption)
        ->excludes(jotIdOption);
    jotCommand->add_option("line", lines, "after --; - alone: one a line from standard input");

    std::string file;
    CLI::App* exportCommand = app.add_subcommand("export", "a job of a workshop as JSON");
    exportCommand->add_option("workshop", path)->required();
    exportCommand->add_option("--job", job, "which, where there are several");
    CLI::Option* exportIdOption =
        exportCommand->add_option("--id", id, "which, where several have one name");
    std::string moment;
    exportCommand->add_option("--at", moment, "as it was then, like 2026-03-31");
    std::string lamp;
    CLI::Option* lampOption =
        exportCommand->add_option("--lamp", lamp, "a lamp group of the job as a SPICE netlist");
    bool photos = false;
    CLI::Option* photosOption = exportCommand->add_flag(
        "--photos", photos, "a ZIP file of the job and its photos: send it into a file with >");
    lampOption->excludes(photosOption);
    bool lampList = false;
    exportCommand->add_flag("--lamps", lampList, "all lamps of the job as CSV")
        ->excludes(lampOption)
        ->excludes(photosOption);
    CLI::App* sheetCommand = app.add_subcommand("sheet", "a job written out, for someone");
    sheetCommand->add_option("workshop-or-job", path, "a workshop file, or a job in JSON")
        ->required();
    sheetCommand->add_option("--job", job, "which, where there are several");
    CLI::Option* sheetIdOption =
        sheetCommand->add_option("--id", id, "which, where several have one name");
    std::string sheetFor, sheetAs = "text";
    sheetCommand->add_option("--for", sheetFor, cli::sheetNames())->required();
    sheetCommand->add_option("--as", sheetAs, "html, pdf or text");
    CLI::App* importCommand =
        app.add_subcommand("import", "a job in JSON, or a bundle with photos, into a workshop");
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
    if (*check || *stages) {
        cli::CheckRequest request{path,
                                  {},
                                  {},
                                  store::userCatalogueFile().toStdString(),
                                  json,
                                  ownStations,
                                  stages->parsed()};
        if (*jobOption || *stagesJobOption) request.job = job;
        if (*idOption || *stagesIdOption) request.id = id;
        const cli::Checked result = cli::check(request, [](std::string_view words) {
            std::cout.write(words.data(), static_cast<std::streamsize>(words.size()));
        });
        std::cout.flush();
        if (!result.faults.empty()) return complain(result.faults);
        return strict && result.worst == core::State::Over ? VerdictOver : Done;
    }
    if (*jotCommand) {
        cli::JotRequest request{path, {}, {}, std::move(lines), {}, {}, json, dryRun};
        if (request.lines == std::vector<std::string>{"-"}) {
            const auto typed = cli::contents("-", "jot lines");
            if (!typed) return complain({typed.error()});
            request.lines = cli::linesOf(*typed);
        }
        request.workshop = ofWorkshop;
        if (*jotJobOption) request.job = job;
        if (*jotIdOption) request.id = id;
        request.userCatalogue = store::userCatalogueFile().toStdString();
        request.today = QDate::currentDate().toString(Qt::ISODate).toStdString();
        const cli::JotRun result = cli::jot(request);
        std::cout << result.out;
        return result.faults.empty() ? Done : complain(result.faults);
    }
    cli::Wanted wanted{job, {}};
    if (*sheetCommand) {
        if (*sheetIdOption) wanted.id = id;
        const cli::SheetRun result = cli::sheetRun(path, wanted, sheetFor, sheetAs,
                                                   store::userCatalogueFile().toStdString());
        if (!result.faults.empty()) return complain(result.faults);
        std::cout << result.out;
        return Done;
    }
    if (*exportIdOption) wanted.id = id;
    const cli::Exchanged result = !*exportCommand ? cli::imported(path, file)
                                  : *lampOption   ? cli::exportedLamp(path, wanted, lamp)
                                  : lampList      ? cli::exportedLampList(path, wanted)
                                  : photos        ? cli::exportedBundle(path, wanted, moment)
                                                  : cli::exported(path, wanted, moment);
    if (!result.faults.empty()) return complain(result.faults);
    std::cout << result.out;
    return Done;
}
