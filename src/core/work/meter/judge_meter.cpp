// Whether what was read proves that power does no harm, and what to probe next.
#include "core/analysis/meter/words.h"
#include "core/analysis/unanswered.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/meter/lines.h"
#include "core/work/meter/meter.h"

#include <algorithm>

namespace glimmet::core::meter {
namespace {

Figure readFigure(const Row& row) {
    const PairReading& last = row.read.back();
    return figures::measured(text("Read: %1", row.words), "R_read", *last.ohms, last.on,
                             text("by meter"), lineOf(row));
}

void judgeFailed(const JobAnalysis& facts, const Row& row, Judging& judging) {
    judging.say("meter.pair:" + row.id, {}, State::Over, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    const std::vector<Text> causes = causesOf(facts, row);
                    finding.sentence = text("%1: %2. It must be %3. Usual cause: %4.", row.words,
                                            shown(row.read.back()), mustShow(row), causes.front());
                    finding.action = text("no power: mend %1", row.words);
                    finding.caution = text(
                        "A decoder dies in milliseconds: no track power until this pair "
                        "reads as it must.");
                    if (row.read.back().ohms) finding.figures.push_back(readFigure(row));
                    for (std::size_t i = 1; i < causes.size(); ++i)
                        finding.sentence = text("%1 Or: %2.", finding.sentence, causes[i]);
                    if (const std::string line = goodLine(row); !line.empty())
                        finding.options.push_back(answer(text("Mended: it reads as it must"),
                                                         text("read it again, then say so"),
                                                         State::Fine, line));
                });
}

void judgeAgain(const Row& row, Judging& judging) {
    judging.say(
        "meter.again:" + row.id, {}, State::Ask, Gravity::PartDestroyed, [&](Finding& finding) {
            finding.sentence = text("%1: %2; %3.", row.words, shown(row.read.back()), row.lacks);
            finding.action = text("probe again: %1", row.words);
            if (row.read.back().ohms) finding.figures.push_back(readFigure(row));
            if (const std::string line = goodLine(row); !line.empty())
                finding.options.push_back(
                    answer(mustShow(row), text("that proves it"), State::Fine, line));
        });
}

void judgeNext(const Job& job, const Matrix& matrix, Judging& judging) {
    const Row* next = nextRow(matrix);
    judging.say("meter.next", {}, State::Fine, Gravity::PartDestroyed, [&](Finding& finding) {
        const auto read = std::count_if(matrix.rows.begin(), matrix.rows.end(),
                                        [](const Row& row) { return row.state == State::Fine; });
        const auto needed =
            std::count_if(matrix.rows.begin(), matrix.rows.end(),
                          [&](const Row& row) { return row.shortProof || !matrix.shortIsEnough; });
        finding.open = next && !waivedAs(job, "meter");
        if (!next) {
            finding.sentence = text("The meter proves it: %1 pairs read as they must. Allowed: %2.",
                                    std::to_string(read), allowed(matrix.allows));
            return;
        }
        finding.sentence =
            text("%1 of %2 pairs are proved; allowed so far: %3. Next: %4. It must be %5.",
                 std::to_string(read), std::to_string(needed), allowed(matrix.allows), next->words,
                 mustShow(*next));
        finding.action = text("probe %1", next->words);
        finding.caution =
            next->shortProof
                ? text(
                      "No track power until the short proof is through: a decoder dies in "
                      "milliseconds.")
                : Text{};
        if (const std::string line = goodLine(*next); !line.empty())
            finding.options.push_back(
                answer(mustShow(*next), text("then the next pair"), State::Fine, line));
    });
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    if (!job.decoder && job.groups.empty() && !job.bank)
        return {text("nothing to prove by meter yet")};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    if (!idle(facts.job).why.empty() && facts.job.pairs.empty()) return;
    const Matrix& matrix = matrixOf(facts);
    if (matrix.rows.empty()) return;
    bool failed = false;
    for (const Row& row : matrix.rows) {
        if (row.state == State::Over) {
            failed = true;
            judgeFailed(facts, row, judging);
        } else if (row.state == State::Ask && !row.read.empty()) {
            judgeAgain(row, judging);
        }
    }
    if (!failed) judgeNext(facts.job, matrix, judging);
}

}  // namespace glimmet::core::meter
