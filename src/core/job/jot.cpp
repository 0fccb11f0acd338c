#include "core/job/jot.h"

#include "core/job/jot/verbs.h"

#include <algorithm>
#include <array>

namespace glimmet::core {
namespace {

using namespace jot;

struct Verb {
    const char* word;
    Result<Jotted> (*read)(const Line&);
    JotForm form;
};
const std::array<Verb, 26> verbs{{
    {"stall", stall, {"stall AMPS VOLTS", "stall 1.15A 12V", "a stall test: a second at the most"}},
    {"slip", slip, {"slip AMPS [VOLTS]", "slip 420mA", "held back until the wheels slip"}},
    {"haul", haul, {"haul AMPS [VOLTS]", "haul 350mA 12V", "with its usual train"}},
    {"light", light, {"light AMPS [VOLTS]", "light 180mA 12V", "running alone at medium speed"}},
    {"ohms",
     ohms,
     {"ohms OHMS", "ohms 9.8", "the winding, motor disconnected; several rotor positions"}},
    {"track", track, {"track VOLTS", "track 14.8V", "track or supply volts, measured"}},
    {"supply", supply, {"supply KIND", "supply dcc", "dcc, dc or battery"}},
    {"rectifier",
     rectifier,
     {"rectifier VOLTS", "rectifier 1.1V", "drop of the decoder's rectifier, measured"}},
    {"bridge", bridge, {"bridge VOLTS", "bridge 0.3V", "drop of the motor bridge, measured"}},
    {"switch", jot::switchDrop, {"switch VOLTS", "switch 0.1V", "drop of a lit output, measured"}},
    {"motor",
     motor,
     {"motor KIND [FRAME]", "motor open-frame frame-return", "what kind of motor it is"}},
    {"rule",
     rule,
     {"rule NAME", "rule strict", "how ratings are held against the motor: strict, slip, running"}},
    {"margin", margin, {"margin SHARE", "margin 10%", "how near to a limit counts as close"}},
    {"decoder",
     decoder,
     {"decoder NAME", "decoder four-wire-1.0",
      "fit a decoder of the catalogue; none takes it out"}},
    {"lamp",
     lamp,
     {"lamp PLACE COLOUR [VOLTS AMPS] [on OUTPUT]", "lamp rear red 2.0V 20mA",
      "a new lamp, or what the one there is"}},
    {"parallel",
     parallel,
     {"parallel LAMP [COLOUR]", "parallel front white",
      "another lamp beside it with its own resistor"}},
    {"inline",
     inlineLamp,
     {"inline LAMP [COLOUR]", "inline front red", "another lamp in series with it"}},
    {"resistor",
     resistor,
     {"resistor LAMP OHMS", "resistor front 2k2",
      "fit a resistor; none for no resistor, open for not chosen"}},
    {"shared",
     shared,
     {"shared LAMP OHMS", "shared front 330", "one resistor for the whole circuit"}},
    {"target",
     target,
     {"target LAMP AMPS", "target front 3mA", "the current, so the brightness, that is wished"}},
    {"series", series, {"series LAMP NAME", "series front E24", "preferred values to choose from"}},
    {"output",
     output,
     {"output NAME OHMS", "output front 680R",
      "resistor found on the decoder's board; bare for none"}},
    {"place", place, {"place LAMP BACK UP", "place front 3mm 41mm", "where the lamp sits"}},
    {"remove",
     removeThing,
     {"remove WHAT", "remove rear lamp",
      "a lamp, a row (front/2), or the last stall, slip, haul, light, ohms"}},
    {"note", note, {"note WORDS", "note clip broken rear left", "anything worth remembering"}},
    {"time", timeSpent, {"time TIME WORK", "time 25m wiring", "time spent"}},
}};
const std::array<Verb, 4> recordVerbs{{
    {"name", nameJob, {"name WORDS", "name No. 4 Ling", "rename the job"}},
    {"owner", owner, {"owner WORDS", "owner R. Tide", "whose it is"}},
    {"scale", scale, {"scale NAME", "scale N", "Z, N, TT, H0, 0, 1 or G"}},
    {"length", length, {"length LENGTH", "length 142mm", "over the buffers; the picture follows"}},
}};

/// Levenshtein distance, for "did you mean".
std::size_t distance(const std::string& a, const std::string& b) {
    std::vector<std::size_t> row(b.size() + 1);
    for (std::size_t j = 0; j <= b.size(); ++j) row[j] = j;
    for (std::size_t i = 1; i <= a.size(); ++i) {
        std::size_t diagonal = row[0];
        row[0] = i;
        for (std::size_t j = 1; j <= b.size(); ++j) {
            const std::size_t substituted = diagonal + (a[i - 1] == b[j - 1] ? 0 : 1);
            diagonal = row[j];
            row[j] = std::min({row[j] + 1, row[j - 1] + 1, substituted});
        }
    }
    return row.back();
}

}  // namespace

std::span<const JotForm> jotForms() {
    static const std::vector<JotForm> forms = [] {
        std::vector<JotForm> all;
        for (const Verb& verb : verbs) all.push_back(verb.form);
        for (const Verb& verb : recordVerbs) all.push_back(verb.form);
        return all;
    }();
    return forms;
}

Result<Jotted> understood(std::string_view typed, const Job& job, const Catalogue& catalogue,
                          const std::string& today) {
    constexpr std::size_t longest = 100000;
    if (typed.size() > longest) {
        return refuse(ErrorCode::OutOfRange,
                      text("A line is at most %1 bytes long.", std::to_string(longest)));
    }
    const auto first = typed.find_first_not_of(" \t");
    if (first == std::string_view::npos) {
        return refuse(ErrorCode::Missing,
                      text("Type what you just measured, like stall 1.15A 12V."));
    }
    typed.remove_prefix(first);
    const auto blank = typed.find_first_of(" \t");
    const std::string word = lowered(std::string(typed.substr(0, blank)));
    std::string rest = blank == std::string_view::npos ? "" : std::string(typed.substr(blank + 1));
    while (!rest.empty() && (rest.back() == ' ' || rest.back() == '\t')) rest.pop_back();
    rest.erase(0, std::min(rest.find_first_not_of(" \t"), rest.size()));

    const Verb* nearest = nullptr;
    std::size_t least = 3;
    const auto search = [&](const auto& list) -> const Verb* {
        for (const Verb& verb : list) {
            if (word == verb.word) return &verb;
            const std::size_t away = distance(word.substr(0, 24), verb.word);
            if (away < least) {
                least = away;
                nearest = &verb;
            }
        }
        return nullptr;
    };
    const Verb* verb = search(verbs);
    if (!verb) verb = search(recordVerbs);
    if (!verb) {
        if (nearest) {
            return refuse(ErrorCode::NotUnderstood,
                          text("“%1” means nothing here. Did you mean %2? Write it like %3.",
                               word.substr(0, 40), nearest->word, nearest->form.example));
        }
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” means nothing here. F1 lists what can be typed; for a remark write "
                 "note %1 ….",
                 word.substr(0, 40)));
    }
    return verb->read(Line{wordsOf(rest), rest, job, catalogue, today});
}

}  // namespace glimmet::core