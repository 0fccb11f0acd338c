// glimmet-cli: the same reckoning without a window. Exit status: 0 done, 1 done and something is
// over (with --strict), 2 bad input with one line per fault on standard error.
#include "cli/check.h"
#include "cli/exchange.h"
#include "cli/fit/fit_command.h"
#include "cli/input.h"
#include "cli/jot.h"
#include "cli/meter/matrix_command.h"
#include "cli/new_job.h"
#include "cli/reckon.h"
#include "cli/settings/settings_command.h"
#include "cli/sheet.h"
#include "cli/spice.h"
#include "cli/wire/wires_command.h"
#include "store/catalogue.h"

#include <QDateTime>

#include <CLI/CLI.hpp>
#include <unistd.h>

#include <cstdlib>
#include <exception>
#include <functional>
#include <iostream>
#include <memory>
#include <new>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

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

/// A command of the program and what it does; 0 … 2: ExitStatus.
struct Command {
    CLI::App* app;
    std::function<int()> run;
};
using Commands = std::vector<Command>;

/// Which job, or jobs, of which file.
struct Which {
    std::string path, job;
    store::JobId id = 0;
    CLI::Option* jobOption = nullptr;
    CLI::Option* idOption = nullptr;

    [[nodiscard]] std::optional<std::string> named() const {
        return *jobOption ? std::optional(job) : std::nullopt;
    }
    [[nodiscard]] std::optional<store::JobId> numbered() const {
        return *idOption ? std::optional(id) : std::nullopt;
    }
    [[nodiscard]] cli::Wanted wanted() const { return {job, numbered()}; }
};
enum class Of { Some, One };
void askWhich(CLI::App& command, Which& which, const char* kindOfFile, Of of) {
    const bool workshop = std::string_view(kindOfFile) == "workshop";
    command
        .add_option(kindOfFile, which.path,
                    workshop ? "a workshop file" : "a workshop file, or a job in JSON")
        ->required();
    which.jobOption = command.add_option(
        "--job", which.job,
        of == Of::Some ? "only the jobs of this name" : "which, where there are several");
    which.idOption = command.add_option(
        "--id", which.id,
        of == Of::Some ? "only the job of this number" : "which, where several have one name");
}
std::string now() {
    return QDateTime::currentDateTime().toString("yyyy-MM-ddTHH:mm").toStdString();
}
std::string ownParts() { return store::userCatalogueFile().toStdString(); }

int print(const std::vector<std::string>& faults, const std::string& out) {
    if (!faults.empty()) return complain(faults);
    std::cout << out;
    return Done;
}

int judge(const cli::CheckRequest& request, bool strict) {
    const cli::Checked result = cli::check(request, [](std::string_view words) {
        std::cout.write(words.data(), static_cast<std::streamsize>(words.size()));
    });
    std::cout.flush();
    if (!result.faults.empty()) return complain(result.faults);
    return strict && result.worst == core::State::Over ? VerdictOver : Done;
}

void addCheck(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        bool json = false, strict = false, own = false;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("check", "every check on every job");
    askWhich(*command, asked->which, "workshop-or-job", Of::Some);
    command->add_flag("--workshop", asked->own, "the workshop's own stations: rules, districts");
    command->add_flag("--json", asked->json, "findings as JSON");
    command->add_flag("--strict", asked->strict, "exit status 1 when something is over");
    all.push_back({command, [asked] {
                       const Which& which = asked->which;
                       return judge({which.path, which.named(), which.numbered(), ownParts(),
                                     asked->json, asked->own, false},
                                    asked->strict);
                   }});
}

void addStages(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        bool json = false;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command =
        app.add_subcommand("stages", "how each stage of a job stands, and what to do next");
    askWhich(*command, asked->which, "workshop-or-job", Of::Some);
    command->add_flag("--json", asked->json, "as JSON");
    all.push_back({command, [asked] {
                       const Which& which = asked->which;
                       return judge({which.path, which.named(), which.numbered(), ownParts(),
                                     asked->json, false, true},
                                    false);
                   }});
}

void addReckoning(CLI::App& app, Commands& all) {
    struct Options {
        std::string kind, input = "-";
        bool json = false, strict = false;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("reckon", "one calculation: JSON in, JSON out");
    command->add_option("kind", asked->kind, cli::reckonKinds())->required();
    command->add_option("file", asked->input, "a JSON file, or - for standard input");
    command->add_flag("--strict", asked->strict, "exit status 1 when the verdict is over");
    command->add_flag("--json", asked->json, "accepted everywhere; reckon always answers in JSON");
    all.push_back({command, [asked] { return reckon(asked->kind, asked->input, asked->strict); }});

    const auto netlist = std::make_shared<Options>();
    CLI::App* circuit = app.add_subcommand("spice", "run the analysis of a SPICE netlist");
    circuit->add_option("file", netlist->input, "a netlist, or - for standard input")->required();
    circuit->add_flag("--json", netlist->json, "the answer is in JSON in any case");
    all.push_back({circuit, [netlist] { return spice(netlist->input); }});
}

void addJot(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        bool json = false, dryRun = false, ofWorkshop = false;
        std::vector<std::string> lines;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("jot", "jot lines, in order, on a job");
    askWhich(*command, asked->which, "job-or-workshop", Of::One);
    command->add_flag("--json", asked->json,
                      "what each line was taken for, and the job after them");
    command->add_flag("--dry-run", asked->dryRun, "record nothing");
    command
        ->add_flag("--workshop", asked->ofWorkshop,
                   "speak to the workshop's own record: house rules")
        ->excludes(asked->which.jobOption)
        ->excludes(asked->which.idOption);
    command->add_option("line", asked->lines, "after --; - alone: one a line from standard input");
    all.push_back({command, [asked]() -> int {
                       cli::JotRequest request{asked->which.path, {},           {},
                                               asked->lines,      {},           {},
                                               asked->json,       asked->dryRun};
                       if (request.lines == std::vector<std::string>{"-"}) {
                           const auto typed = cli::contents("-", "jot lines");
                           if (!typed) return complain({typed.error()});
                           request.lines = cli::linesOf(*typed);
                       }
                       request.workshop = asked->ofWorkshop;
                       request.job = asked->which.named();
                       request.id = asked->which.numbered();
                       request.userCatalogue = ownParts();
                       request.now = now();
                       const cli::JotRun result = cli::jot(request);
                       std::cout << result.out;
                       return result.faults.empty() ? int{Done} : complain(result.faults);
                   }});
}

/// A command that tells something of one job.
struct Telling {
    const char* name;
    const char* what;
    std::string (*tell)(const cli::OneJob& one, cli::Form form);
    bool csv = false;  ///< it has a table for other programs
};
constexpr Telling tellings[] = {
    {"fit", "what goes in, where it lies and with how much room", cli::fitOf},
    {"wires", "every wire with both ends, couplings, what to cut", cli::wiresOf, true},
    {"matrix", "what a meter must read between points, and what it read", cli::matrixOf}};

void addTellings(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        bool json = false, csv = false;
    };
    for (const Telling& telling : tellings) {
        const auto asked = std::make_shared<Options>();
        CLI::App* command = app.add_subcommand(telling.name, telling.what);
        askWhich(*command, asked->which, "workshop-or-job", Of::One);
        CLI::Option* json = command->add_flag("--json", asked->json, "as JSON");
        if (telling.csv) command->add_flag("--csv", asked->csv, "as CSV")->excludes(json);
        all.push_back({command, [asked, tell = telling.tell] {
                           const auto one =
                               cli::oneJob(asked->which.path, asked->which.wanted(), ownParts());
                           return one ? print({}, tell(*one, cli::formOf(asked->json, asked->csv)))
                                      : complain(one.error());
                       }});
    }
}

void addSettings(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        bool json = false, csv = false;
        std::string read, decoder;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command =
        app.add_subcommand("settings", "what the decoder is told, and what it holds");
    askWhich(*command, asked->which, "workshop-or-job", Of::One);
    CLI::Option* json = command->add_flag("--json", asked->json, "as JSON");
    command->add_flag("--csv", asked->csv, "the plan as CSV")->excludes(json);
    command->add_option("--read", asked->read, "a read-back as CSV: CV,value; - for input");
    command->add_option("--decoder", asked->decoder, "which, where there are several: D1");
    all.push_back({command, [asked] {
                       cli::SettingsRequest request;
                       request.path = asked->which.path;
                       request.wanted = asked->which.wanted();
                       request.form = cli::formOf(asked->json, asked->csv);
                       request.read = asked->read;
                       request.decoder = asked->decoder;
                       request.userCatalogue = ownParts();
                       request.now = now();
                       const cli::SettingsRun result = cli::settingsRun(request);
                       return print(result.faults, result.out);
                   }});
}

void addNew(CLI::App& app, Commands& all) {
    struct Options {
        std::string name, body, scale, feed;
        bool list = false, json = false;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("new", "a new job as JSON");
    command->add_option("name", asked->name, "what the model is called");
    command->add_option("--body", asked->body, "its body, see --list");
    command->add_option("--scale", asked->scale, "Z N TT H0 OO S 0 1 G");
    command->add_option("--feed", asked->feed, "two-rail-dcc, plain-dc, battery-radio, …");
    command->add_flag("--list", asked->list, "the bodies there are");
    command->add_flag("--json", asked->json, "the list as JSON");
    all.push_back({command, [asked] {
                       const cli::NewRun result =
                           asked->list ? cli::bodyList(asked->json, ownParts())
                                       : cli::newJob(asked->name, asked->body, asked->scale,
                                                     asked->feed, ownParts());
                       return print(result.faults, result.out);
                   }});
}

void addSheet(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        std::string kind, form = "text";
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("sheet", "a job written out, for someone");
    askWhich(*command, asked->which, "workshop-or-job", Of::One);
    command->add_option("--for", asked->kind, cli::sheetNames())->required();
    command->add_option("--as", asked->form, "html, pdf or text");
    all.push_back({command, [asked] {
                       const cli::SheetRun result =
                           cli::sheetRun(asked->which.path, asked->which.wanted(), asked->kind,
                                         asked->form, ownParts());
                       return print(result.faults, result.out);
                   }});
}

void addExchange(CLI::App& app, Commands& all) {
    struct Options {
        Which which;
        std::string moment, lamp;
        bool photos = false, lampList = false;
    };
    const auto asked = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("export", "a job of a workshop as JSON");
    askWhich(*command, asked->which, "workshop", Of::One);
    command->add_option("--at", asked->moment, "as it was then, like 2026-03-31");
    CLI::Option* lamp =
        command->add_option("--lamp", asked->lamp, "a lamp group of the job as a SPICE netlist");
    CLI::Option* photos =
        command->add_flag("--photos", asked->photos,
                          "a ZIP file of the job and its photos: send it into a file with >");
    lamp->excludes(photos);
    command->add_flag("--lamps", asked->lampList, "all lamps of the job as CSV")
        ->excludes(lamp)
        ->excludes(photos);
    all.push_back({command, [asked, lamp] {
                       const std::string& path = asked->which.path;
                       const cli::Wanted wanted = asked->which.wanted();
                       const cli::Exchanged result =
                           *lamp             ? cli::exportedLamp(path, wanted, asked->lamp)
                           : asked->lampList ? cli::exportedLampList(path, wanted)
                           : asked->photos   ? cli::exportedBundle(path, wanted, asked->moment)
                                             : cli::exported(path, wanted, asked->moment);
                       return print(result.faults, result.out);
                   }});

    struct Files {
        std::string workshop, file;
    };
    const auto files = std::make_shared<Files>();
    CLI::App* import =
        app.add_subcommand("import", "a job in JSON, or a bundle with photos, into a workshop");
    import->add_option("workshop", files->workshop)->required();
    import->add_option("file", files->file)->required();
    all.push_back({import, [files] {
                       const cli::Exchanged result = cli::imported(files->workshop, files->file);
                       return print(result.faults, result.out);
                   }});
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
    Commands commands;
    for (auto* add : {addCheck, addStages, addReckoning, addJot, addTellings, addSettings, addNew,
                      addSheet, addExchange})
        add(app, commands);
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& error) {
        const int status = app.exit(error);
        return status == 0 ? Done : BadInput;
    }
    for (const Command& command : commands) {
        if (*command.app) return command.run();
    }
    return BadInput;
}
