#include "cli/meter/matrix_command.h"

#include "cli/json_text.h"
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/analysis/wiring/terminals.h"

namespace glimmet::cli {
namespace {

using core::meter::Matrix;
using core::meter::Row;

void put(JsonText& out, std::string_view key, const std::optional<core::Ohms>& bound) {
    out.key(key);
    if (bound)
        out.value(bound->value());
    else
        out.null();
}

void put(JsonText& out, const Row& row, bool decoder) {
    out.open('{').with("id", row.id).key("between").open('[');
    out.value(core::spelled(row.first)).value(core::spelled(row.second)).close(']');
    out.with("words", core::plain(row.words)).with("expect", core::name(row.expect));
    put(out, "low_ohm", row.low);
    put(out, "high_ohm", row.high);
    out.with("why", core::plain(row.why)).with("effort", std::int64_t{row.effort});
    out.key("at").open('[').value(core::plain(row.at[0])).value(core::plain(row.at[1])).close(']');
    out.key("needs").open('[');
    if (decoder) out.value("decoder out");
    if (row.effort > 1) out.value("body off");
    out.close(']').with("plus", core::name(row.plus)).key("read").open('[');
    for (const core::PairReading& reading : row.read) {
        out.open('{');
        put(out, "ohm", reading.ohms);
        out.with("look", core::name(reading.look));
        out.with("plus", reading.bothWays           ? "either"
                         : reading.red == row.first ? "first"
                                                    : "second");
        out.with("on", reading.on).close('}');
    }
    out.close(']').with("stale", row.stale).with("state", core::name(row.state)).close('}');
}

std::string lines(const Matrix& matrix) {
    std::string out;
    for (const Row& row : matrix.rows) {
        const std::string read =
            row.read.empty() ? "" : "; read " + core::plain(core::meter::shown(row.read.back()));
        out += std::string(core::name(row.state)) + "  " + core::plain(row.words) + ": " +
               core::plain(core::meter::mustShow(row)) + read + "\n";
    }
    if (out.empty()) out = "nothing to prove by meter\n";
    return out + "allowed: " + core::plain(core::meter::allowed(matrix.allows)) + "\n";
}

}  // namespace

std::string matrixOf(const OneJob& one, Form form) {
    const core::JobAnalysis facts = core::analysed(one.job, one.house, one.catalogue, one.sameType);
    const Matrix& matrix = core::meter::matrixOf(facts);
    if (form != Form::Json) return lines(matrix);
    JsonText out;
    out.open('{').key("rows").open('[');
    for (const Row& row : matrix.rows) put(out, row, one.job.decoder.has_value());
    out.close(']').key("short_proof").open('[');
    for (const Row& row : matrix.rows) {
        if (row.shortProof) out.value(row.id);
    }
    out.close(']').with("proof", core::name(matrix.proof));
    out.with("allows", core::name(matrix.allows)).close('}');
    return out.taken() + "\n";
}

}  // namespace glimmet::cli
