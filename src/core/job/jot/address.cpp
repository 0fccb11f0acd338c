#include "core/job/jot/address.h"

#include <algorithm>

namespace glimmet::core::jot {

Result<RowAddress> addressed(const Job& job, const std::string& typed) {
    std::string wanted = lowered(typed);
    RowAddress address;
    if (const auto slash = wanted.rfind('/'); slash != std::string::npos) {
        const std::string number = wanted.substr(slash + 1);
        if (number.empty() || number.size() > 3 ||
            !std::all_of(number.begin(), number.end(),
                         [](char c) { return c >= '0' && c <= '9'; })) {
            return refuse(ErrorCode::NotUnderstood,
                          text("“%1” names no row. Write it like front lamp/2.", typed));
        }
        address.row = std::stoul(number);
        address.wholeCircuit = false;
        if (address.row > 0)
            --address.row;
        else
            return refuse(ErrorCode::OutOfRange, text("Rows are counted from 1."));
        wanted.resize(slash);
    }
    std::vector<std::size_t> exact;
    std::vector<std::size_t> loose;
    std::string known;
    for (std::size_t i = 0; i < job.circuits.size(); ++i) {
        const Circuit& circuit = job.circuits[i];
        known += (known.empty() ? "" : ", ") + circuit.name;
        const DecoderOutput* output = outputNamed(job, circuit.output);
        const std::string called = lowered(circuit.name);
        if (called == wanted)
            exact.push_back(i);
        else if (called.starts_with(wanted) || lowered(circuit.output) == wanted ||
                 (output && lowered(output->wire) == wanted)) {
            loose.push_back(i);
        }
    }
    const auto& found = exact.empty() ? loose : exact;
    if (wanted.empty() || found.size() != 1) {
        if (known.empty()) {
            return refuse(ErrorCode::Unknown,
                          text("There is no lamp yet. Add one first: lamp front white."));
        }
        return refuse(ErrorCode::Unknown,
                      found.size() > 1
                          ? text("“%1” could be several lamps. There are: %2.", typed, known)
                          : text("No lamp goes by “%1”. There are: %2.", typed, known));
    }
    address.circuit = found.front();
    const std::size_t rows = job.circuits[address.circuit].rows.size();
    if (address.row >= rows) {
        return refuse(
            ErrorCode::OutOfRange,
            text("%1 has %2 rows.", job.circuits[address.circuit].name, std::to_string(rows)));
    }
    return address;
}

Result<NamedValue> namedValue(const Line& line, const char* example) {
    if (line.words.size() < 2) {
        return refuse(ErrorCode::Missing, text("Which lamp, and what? Write it like %1.", example));
    }
    const auto address =
        addressed(line.job, joined(std::span(line.words.begin(), line.words.end() - 1)));
    if (!address) return tl::unexpected(address.error());
    return NamedValue{*address, line.words.back()};
}

}  // namespace glimmet::core::jot
