// Glimmet's engine against ngspice, an independent simulator: the circuits of the trade, built by
// Glimmet, written by its SPICE writer, run by `ngspice -b` unchanged but for a control block that
// prints the result.
#include "support/bank_circuits.h"
#include "support/part_circuits.h"
#include "support/trade_circuits.h"

#include <gtest/gtest.h>
#include <unistd.h>

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <map>
#include <sstream>

namespace glimmet::core::circuit {
namespace {

namespace fs = std::filesystem;

/// What ngspice wrote: a column per vector.
using Columns = std::map<std::string, std::vector<double>>;

Columns ngspice(const Netlist& netlist, int number) {
    const fs::path folder =
        fs::temp_directory_path() /
        ("glimmet-ngspice-" + std::to_string(getpid()) + "-" + std::to_string(number));
    fs::create_directories(folder);
    std::string text = writtenNetlist(netlist);
    // Tight tolerances and, in transients, its steps no longer than ours: a reference, not a rival.
    std::string options = ".options reltol=1e-7 abstol=1e-15 vntol=1e-10\n";
    if (const auto* span = std::get_if<TransientSpan>(&netlist.analysis)) {
        const auto at = text.find(".tran");
        std::ostringstream tran;
        tran.precision(17);
        tran << ".tran " << span->step << " " << span->stop << " 0 " << span->step / 10 << "\n";
        text.replace(at, text.find('\n', at) + 1 - at, tran.str());
        // Tighter than this its floating bridges end in "timestep too small".
        options = ".options reltol=1e-4\n";
    }
    const auto end = text.rfind(".end");
    text.insert(
        end,
        options +
            ".control\nset filetype=ascii\nset numdgt=15\nrun\nwrite out.raw\nquit 0\n.endc\n");
    std::ofstream(folder / "in.cir") << text;
    const std::string command = "cd " + folder.string() + " && ngspice -b in.cir > log 2>&1";
    EXPECT_EQ(std::system(command.c_str()), 0) << netlist.circuit.title;
    Columns columns;
    std::ifstream raw(folder / "out.raw");
    std::string line;
    std::vector<std::string> names;
    std::size_t variables = 0;
    while (std::getline(raw, line) && line.find("Values:") != 0) {
        if (line.starts_with("No. Variables:")) variables = std::stoul(line.substr(14));
        if (!line.starts_with("Variables:")) continue;
        for (std::size_t k = 0; k < variables && std::getline(raw, line); ++k) {
            std::istringstream words(line);
            std::string index, name;
            words >> index >> name;
            names.push_back(name);
        }
    }
    for (std::string word; raw >> word;) {  // index, then a value per vector
        for (const std::string& name : names) {
            if (!(raw >> word)) break;
            columns[name].push_back(std::strtod(word.c_str(), nullptr));
        }
    }
    fs::remove_all(folder);
    EXPECT_FALSE(columns.empty()) << netlist.circuit.title << ": ngspice gave nothing";
    return columns;
}

/// Names as the writer puts them.
std::string written(std::string name) {
    for (char& c : name) {
        if (!std::isalnum(static_cast<unsigned char>(c))) c = '_';
    }
    return name;
}
std::string writtenSource(const std::string& name) {
    return name.front() == 'v' ? written(name) : "v_" + written(name);
}

void expectNear(double ours, double theirs, double floor, const std::string& what) {
    EXPECT_NEAR(ours, theirs, 1e-3 * std::abs(theirs) + floor) << what;
}
constexpr double voltFloor = 1e-6;
constexpr double ampFloor = 5e-12;  // a few junction leaks

void comparePoint(const Circuit& circuit, const OperatingPoint& ours, const Columns& theirs,
                  std::size_t at) {
    for (Node node = 1; node < circuit.nodes.size(); ++node) {
        const auto column = theirs.find("v(" + written(circuit.nodes[node]) + ")");
        ASSERT_NE(column, theirs.end()) << circuit.nodes[node];
        ASSERT_GT(column->second.size(), at);
        expectNear(ours.voltage[node], column->second[at], voltFloor,
                   circuit.title + ", node " + circuit.nodes[node]);
    }
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        const auto column = theirs.find("i(" + writtenSource(circuit.voltageSources[k].name) + ")");
        ASSERT_NE(column, theirs.end());
        expectNear(ours.current[k], column->second[at], ampFloor, circuit.title + ", current");
    }
}

double interpolated(const std::vector<double>& x, const std::vector<double>& y, double at) {
    const auto after = std::lower_bound(x.begin(), x.end(), at);
    if (after == x.begin()) return y.front();
    if (after == x.end()) return y.back();
    const auto i = static_cast<std::size_t>(after - x.begin());
    const double share = (at - x[i - 1]) / (x[i] - x[i - 1]);
    return y[i - 1] + share * (y[i] - y[i - 1]);
}

void compare(const Netlist& netlist, int number) {
    SCOPED_TRACE(netlist.circuit.title);
    const Circuit& circuit = netlist.circuit;
    const Columns theirs = ngspice(netlist, number);
    if (theirs.empty()) return;
    if (std::holds_alternative<OpAnalysis>(netlist.analysis)) {
        const auto ours = operatingPoint(circuit);
        ASSERT_TRUE(ours.has_value()) << plain(ours.error().what);
        comparePoint(circuit, *ours, theirs, 0);
    } else if (const auto* dc = std::get_if<DcAnalysis>(&netlist.analysis)) {
        const auto ours = swept(circuit, dc->source, dc->range);
        ASSERT_TRUE(ours.has_value()) << plain(ours.error().what);
        for (std::size_t i = 0; i < ours->points.size(); ++i)
            comparePoint(circuit, ours->points[i], theirs, i);
    } else {
        const auto ours = transient(circuit, std::get<TransientSpan>(netlist.analysis));
        ASSERT_TRUE(ours.has_value()) << plain(ours.error().what);
        const std::vector<double>& time = theirs.at("time");
        ASSERT_NEAR(time.back() / ours->time.back(), 1, 1e-9) << "ngspice stopped early";
        for (Node node = 1; node < circuit.nodes.size(); ++node) {
            const std::vector<double>& column =
                theirs.at("v(" + written(circuit.nodes[node]) + ")");
            double sum = 0;
            for (std::size_t i = 0; i < ours->time.size(); ++i) {
                const double difference =
                    ours->voltage[node][i] - interpolated(time, column, ours->time[i]);
                sum += difference * difference;
            }
            const auto [low, high] = std::minmax_element(column.begin(), column.end());
            const double rms = std::sqrt(sum / static_cast<double>(ours->time.size()));
            EXPECT_LE(rms, 0.002 * (*high - *low) + 1e-6) << "node " << circuit.nodes[node];
        }
    }
}

TEST(AgainstNgspice, CircuitsOfTheTradesPartsAgree) {
    int number = 1000;
    for (const Netlist& netlist : tests::partCircuits()) compare(netlist, ++number);
}
TEST(AgainstNgspice, BanksOnDeadTrackAgree) {
    int number = 2000;
    for (const tests::BankCase& each : tests::bankCases) {
        compare(tests::bankCircuit(each), ++number);
    }
}
TEST(AgainstNgspice, AtLeastFortyCircuitsOfTheTradeAgree) {
    const auto circuits = tests::tradeCircuits();
    EXPECT_GE(circuits.size(), 40U);
    int number = 0;
    for (const Netlist& netlist : circuits) compare(netlist, ++number);
}

}  // namespace
}  // namespace glimmet::core::circuit
