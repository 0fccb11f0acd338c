// Jots of the meter: what it showed between two points.
#include "core/analysis/meter/words.h"
#include "core/quantity/parse.h"
#include "core/work/jotted.h"
#include "core/work/meter/meter.h"
#include "core/work/meter/points.h"

#include <algorithm>
#include <sstream>

namespace glimmet::core::meter {
namespace {

using namespace jot;

struct Read {
    Look look{};
    std::optional<Ohms> ohms{};
    bool bothWays = false;
};

constexpr std::pair<std::string_view, Read> phrases[] = {
    {"open", {Look::Open}},
    {"ol", {Look::Open}},
    {"nothing", {Look::Open}},
    {"no reading", {Look::Open}},
    {"infinite", {Look::Open}},
    {"open both ways", {Look::Open, {}, true}},
    {"open either way", {Look::Open, {}, true}},
    {"nothing both ways", {Look::Open, {}, true}},
    {"open on the diode test", {Look::Open, {}, true}},
    {"open on diode test", {Look::Open, {}, true}},
    {"beep", {Look::Beep}},
    {"beeps", {Look::Beep}},
    {"short", {Look::Beep}},
    {"shorted", {Look::Beep}},
    {"joined", {Look::Beep}},
    {"continuity", {Look::Beep}},
    {"one way", {Look::OneWay}},
    {"one-way", {Look::OneWay}},
    {"lights", {Look::OneWay}},
    {"lights one way", {Look::OneWay}},
    {"glows", {Look::OneWay}},
    {"rising", {Look::Rising}},
    {"rises", {Look::Rising}},
    {"climbs", {Look::Rising}},
    {"climbing", {Look::Rising}},
    {"sometimes", {Look::Sometimes}},
    {"comes and goes", {Look::Sometimes}},
    {"when rocked", {Look::Sometimes}},
    {"intermittent", {Look::Sometimes}}};

std::vector<std::string> wordsOf(const std::string& line) {
    std::vector<std::string> all;
    std::istringstream in(line);
    for (std::string word; in >> word;) all.push_back(word);
    return all;
}
std::string joinedWords(const std::vector<std::string>& words, std::size_t from, std::size_t to) {
    std::string all;
    for (std::size_t i = from; i < to; ++i) all += (all.empty() ? "" : " ") + words[i];
    return all;
}

/// "reads 0.4 ohms", "open"
std::optional<Read> readIn(const std::string& typed) {
    std::string words = lowered(typed);
    std::size_t cut = 0;  // in prefixes of ohms capitals count: 20 Mohm
    for (const char* before : {"reads ", "is ", "shows "}) {
        if (!words.starts_with(before)) continue;
        words.erase(0, std::string_view(before).size());
        cut += std::string_view(before).size();
    }
    for (const auto& [phrase, read] : phrases) {
        if (words == phrase) return read;
    }
    if (words.empty() ||
        std::string_view("0123456789.,").find(words.front()) == std::string_view::npos)
        return {};
    const auto ohms = parsed<Ohms>(typed.substr(cut));
    constexpr Ohms most{1e9};
    if (!ohms || *ohms < Ohms{0} || *ohms > most) return {};
    return Read{Look::Value, *ohms, false};
}

bool divides(std::string_view word) {
    const std::string lower = lowered(word);
    return lower == "to" || lower == "against";
}

struct Heard {
    std::string a, b;
    Read read{};
};
/// The line in its three parts. `beeped`: the verb was that.
Result<Heard> heard(const ParsedLine& said, const std::vector<Called>& points, bool beeped) {
    const std::vector<std::string> words = wordsOf(said.rest);
    const auto to = std::find_if(words.begin(), words.end(), divides);
    const auto like = [&] { return std::string(said.command.examples.front()); };
    if (to == words.end() || to == words.begin() || to + 1 == words.end())
        return refuse(
            ErrorCode::Missing,
            text("Between which two points, and what did it show? Write it like %1.", like()));
    const auto at = static_cast<std::size_t>(to - words.begin());
    Heard made;
    made.a = joinedWords(words, 0, at);
    if (!pointCalled(points, made.a))
        return refuse(ErrorCode::Unknown,
                      text("No point of this model is called “%1”. Points are called like %2, %3.",
                           made.a, "motor plus", "frame"));
    std::string nearest = joinedWords(words, at + 1, words.size());
    for (std::size_t k = words.size(); k > at + 1; --k) {
        const std::string b = joinedWords(words, at + 1, k);
        if (!pointCalled(points, b)) continue;
        const std::string rest = joinedWords(words, k, words.size());
        if (rest.empty() && beeped) {
            made.b = b;
            made.read.look = Look::Beep;
            return made;
        }
        if (rest.empty())
            return refuse(ErrorCode::Missing,
                          text("What did the meter show? Write it like %1.", like()));
        if (const auto read = readIn(rest)) {
            made.b = b;
            made.read = *read;
            return made;
        }
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” is no reading. There are: open, open both ways, beep, one way, rising, "
                 "sometimes, or ohms.",
                 rest));
    }
    return refuse(ErrorCode::Unknown,
                  text("No point of this model is called “%1”. Points are called like %2, %3.",
                       nearest, "axle 1 left", "red"));
}

/// That a brush is free, or not, is what other stages ask too.
void setIsolated(Job& job, const Row& row, const Read& read) {
    if (row.about != About::BrushFrame) return;
    for (Unit& unit : job.units) {
        for (Motor& motor : unit.motors) {
            if (motor.id != row.first.owner) continue;
            const bool open =
                read.look == Look::Open || (read.look == Look::Value && *read.ohms > openAbove);
            motor.isolated = open;
        }
    }
}

Result<JotResult> taken(const ParsedLine& said, bool beeped) {
    const Job& job = said.context.job;
    const WorkshopRules house =
        houseOf(job, said.context.workshop ? said.context.workshop->house : WorkshopRules{});
    const wiring::Wiring wiring = probed(job, house.leg);
    const std::vector<Called> points = pointsCalled(job, wiring);
    auto parts = heard(said, points, beeped);
    if (!parts) return tl::unexpected(parts.error());
    const TerminalId a = pointCalled(points, parts->a)->id, b = pointCalled(points, parts->b)->id;
    if (a == b) return refuse(ErrorCode::NotUnderstood, text("Both probes are on “%1”.", parts->a));
    constexpr std::size_t most = 5000;
    if (job.pairs.size() >= most)
        return refuse(ErrorCode::OutOfRange, text("That are readings enough for one model."));
    const Matrix matrix = matrixOf(job, house.leg);
    const Row* row = rowBetween(matrix, wiring, a, b);
    const Read& read = parts->read;
    PairReading reading{a, b, read.look, read.ohms, read.bothWays, said.context.today, {}};
    reading.rests =
        row ? restsOf(job, wiring, row->first, row->second) : restsOf(job, wiring, a, b);
    JotResult result = jotted(said, text("%1 to %2: %3", parts->a, parts->b, shown(reading)));
    if (row) setIsolated(result.after, *row, read);
    result.after.pairs.push_back(std::move(reading));
    return result;
}

Result<JotResult> probe(const ParsedLine& said) { return taken(said, false); }
Result<JotResult> beep(const ParsedLine& said) { return taken(said, true); }

/// "brush to frame open": two points, and what a meter shows.
bool saysPair(const std::vector<Token>& line) {
    static constexpr std::string_view ends[] = {
        "open", "beep",   "beeps", "nothing", "rising",  "sometimes", "climbs",
        "ways", "joined", "ol",    "rocked",  "shorted", "way",       "lights"};
    if (line.size() < 4 || line.front().numeric) return false;
    const bool divided = std::any_of(line.begin() + 1, line.end() - 1,
                                     [](const Token& each) { return divides(each.words); });
    if (!divided) return false;
    const Token& last = line.back();
    return std::find(std::begin(ends), std::end(ends), lowered(last.words)) != std::end(ends) ||
           (last.numeric && last.unit == Dimension::Resistance);
}

constexpr const char* probeExamples[] = {"probe brush to frame open",
                                         "probe left rail to right rail open",
                                         "probe brush to frame 0.4 ohms"};
constexpr const char* beepExamples[] = {"beep left rail to right rail"};

constexpr Command table[] = {{.word = "probe",
                              .also = {},
                              .arguments = {},
                              .examples = probeExamples,
                              .meaning = "what the meter shows between two points",
                              .read = probe,
                              .sentence = true,
                              .implied = saysPair,
                              .impliedLater = true},
                             {.word = "beep",
                              .also = {},
                              .arguments = {},
                              .examples = beepExamples,
                              .meaning = "the meter beeps between two points",
                              .read = beep,
                              .sentence = true}};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::meter
