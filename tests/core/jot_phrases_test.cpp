// The bench language as it is spoken: several hundred phrases with their answers, and properties
// of all examples: cut, swapped or garbled they are understood as meant or refused.
#include "core/jot/names.h"
#include "core/jot/reader.h"
#include "core/work/job_stages.h"
#include "core/work/jot.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>

#include <fstream>
#include <memory>
#include <set>
#include <sstream>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;

const Job spokenTo = jotted(shunter(), {"track 14.8V", "lamp front white", "parallel front red",
                                        "lamp rear red 2.0V 20mA", "lamp cab warm white on green"});
const Catalogue parts = tests::smallCatalogue();
const std::string today = "2026-03-02";

Result<JotResult> heard(const std::string& line, const Job& job = spokenTo) {
    return applyLine(line, job, parts, today);
}
std::string answer(const Result<JotResult>& result) {
    return result ? plain(result->meaning) : "✗ " + plain(result.error().what);
}

struct Phrase {
    std::string line, answer;
    std::shared_ptr<const Job> job;
};
/// "> saloon: supply dcc 14.8V; lamp table white": the job of the phrases below.
Job jobOfPhrases(const std::string& row) {
    const auto colon = row.find(':');
    Job job = tests::newJob("Model", row.substr(2, colon - 2));
    std::istringstream lines(row.substr(colon + 1));
    for (std::string line; std::getline(lines, line, ';');) job = jotted(job, {line.c_str()});
    return job;
}
std::vector<Phrase> phrases() {
    std::ifstream file(TESTS_FOLDER "/core/jot_phrases.txt");
    std::vector<Phrase> all;
    auto job = std::make_shared<const Job>(spokenTo);
    for (std::string row; std::getline(file, row);) {
        if (row.starts_with("> ")) job = std::make_shared<const Job>(jobOfPhrases(row));
        const auto tab = row.find('\t');
        if (row.starts_with("#") || tab == std::string::npos) continue;
        all.push_back({row.substr(0, tab), row.substr(tab + 1), job});
    }
    return all;
}

std::vector<const jot::Command*> everyVerb() {
    std::vector<const jot::Command*> all;
    for (const SpokenCommand& spoken : jobCommands()) all.push_back(spoken.command);
    return all;
}

/// What a line says, place by place; nothing where it is refused.
std::optional<jot::ParsedLine> placesOf(const std::string& line, const Job& job = spokenTo) {
    static const std::vector<const jot::Command*> commands = everyVerb();
    static std::vector<std::unique_ptr<jot::Context>> contexts;
    contexts.push_back(std::make_unique<jot::Context>(jot::Context{job, parts, today}));
    auto read = jot::said(line, commands, *contexts.back());
    if (!read || !heard(line, job)) return {};
    return std::move(*read);
}

/// Every name and quantity of `part` stands in `whole` too, in the same place of the same verb.
bool saysNothingElse(const jot::ParsedLine& part, const jot::ParsedLine& whole) {
    if (&part.command != &whole.command) return false;
    for (std::size_t i = 0; i < part.places.size(); ++i) {
        const auto& some = part.places[i];
        const auto& all = whole.places[i];
        // "white" is less than "warm white".
        if (some.name && (!all.name || !all.name->ends_with(*some.name) || some.row != all.row)) {
            return false;
        }
        for (const double value : some.quantities) {
            if (std::find(all.quantities.begin(), all.quantities.end(), value) ==
                all.quantities.end()) {
                return false;
            }
        }
    }
    return true;
}

std::vector<std::string> wordsOf(const std::string& line) {
    std::vector<std::string> words;
    for (std::size_t at = 0; at < line.size();) {
        const std::size_t end = std::min(line.find(' ', at), line.size());
        words.push_back(line.substr(at, end - at));
        at = end + 1;
    }
    return words;
}

/// The job of the phrases, a bare one or a train: where an example can be said.
Job whereItHolds(const std::string& line) {
    const Job train = tests::busy();
    const Job middle = jotted(shunter(), {"supply three-rail"});
    const Job house = jotted(tests::newJob("House", "house"), {"supply fixed dc 12V"});
    return heard(line)              ? spokenTo
           : heard(line, shunter()) ? shunter()
           : heard(line, middle)    ? middle
           : heard(line, house)     ? house
                                    : train;
}

/// Under the sanitizers only every so many: what follows only repeats.
constexpr std::size_t everyExample = tests::sanitized ? 3 : 1;

/// Examples whose every word counts: not those that take words as they come. With the job in
/// which they hold.
struct Example {
    std::string line;
    Job job;
};
std::vector<Example> examples() {
    std::vector<Example> all;
    std::size_t seen = 0;
    for (const jot::Command* command : everyVerb()) {
        const bool words = std::any_of(
            command->arguments.begin(), command->arguments.end(),
            [](const auto& one) { return one.kind == jot::Argument::Kind::Words && !one.after; });
        if (command->sentence || words) continue;
        for (const std::string line : command->examples) {
            if (line.find("called") != std::string::npos || seen++ % everyExample != 0) continue;
            all.push_back({line, whereItHolds(line)});
        }
    }
    return all;
}

TEST(JotPhrases, AreUnderstoodAsWritten) {
    const auto all = phrases();
    EXPECT_GE(all.size(), 1200U);
    for (const Phrase& phrase : all)
        EXPECT_EQ(answer(heard(phrase.line, *phrase.job)), phrase.answer) << phrase.line;
}
/// Whether a line keeps `word` among words as they come, which are nobody's name.
bool keepsAsWords(const jot::ParsedLine& said, const std::string& word) {
    return said.command.sentence ||
           std::any_of(said.places.begin(), said.places.end(),
                       [&](const jot::ParsedLine::Place& place) {
                           return place.words.find(word) != std::string::npos;
                       });
}
TEST(JotPhrases, NoLeftoverWordNamesAnythingOrIsDropped) {
    // What keeps words as they come: what was seen, heard, taken off, bagged; the names of a model,
    // its owner, a cavity; where a lead goes, behind "to"; what waits, why something is left out,
    // what a key sounds.
    const std::set<std::string> keeping{"bad",   "care",   "cavity", "complaint", "fails", "key",
                                        "leads", "loose",  "name",   "note",      "off",   "opens",
                                        "owner", "refuse", "remark", "step",      "time",  "todo",
                                        "wait",  "waive",  "wants"};
    const std::string odd = "zorp";
    std::set<std::string> kept;
    std::size_t tried = 0;
    for (const Phrase& phrase : phrases()) {
        if (phrase.answer.starts_with("✗") || tried++ % everyExample != 0) continue;
        const auto words = wordsOf(phrase.line);
        for (const std::size_t at : {words.size(), words.size() / 2, std::size_t{0}}) {
            auto more = words;
            more.insert(more.begin() + static_cast<std::ptrdiff_t>(at), odd);
            const auto said = placesOf(jot::joined(more), *phrase.job);
            if (!said) continue;
            EXPECT_TRUE(keepsAsWords(*said, odd)) << jot::joined(more);
            if (phrase.line.find("called") != std::string::npos) continue;
            EXPECT_TRUE(keeping.contains(said->command.word)) << jot::joined(more);
            kept.insert(said->command.word);
        }
    }
    if (everyExample > 1) return;
    EXPECT_EQ(kept, keeping);  // none of them is there in vain
}
TEST(JotPhrases, EchoEveryQuantity) {
    for (const Phrase& phrase : phrases()) {
        const auto said = placesOf(phrase.line, *phrase.job);
        if (!said) continue;
        for (std::size_t i = 0; i < said->places.size(); ++i) {
            const Dimension dimension = said->command.arguments[i].dimension;
            if (dimension == Dimension::Time || dimension == Dimension::Ratio) continue;
            for (const double value : said->places[i].quantities) {
                if (std::abs(value) < 1e-12) continue;
                const std::string shown =
                    dimension == Dimension::Speed
                        ? formatted(value * 3.6, Dimension::Ratio, 4) + " km/h"
                        : formatted(value, dimension);
                EXPECT_NE(phrase.answer.find(shown), std::string::npos) << phrase.line;
            }
        }
    }
}
TEST(JotExamples, LessAWordSayLessOrAreRefused) {
    std::size_t understoodLess = 0;
    for (const auto& [line, job] : examples()) {
        const auto whole = placesOf(line, job);
        ASSERT_TRUE(whole.has_value()) << line;
        const auto words = wordsOf(line);
        for (std::size_t gone = 0; gone < words.size(); ++gone) {
            auto rest = words;
            rest.erase(rest.begin() + static_cast<std::ptrdiff_t>(gone));
            const auto part = placesOf(jot::joined(rest), job);
            // Without its first word it can be a line of another verb: a battery of 9 V is one, a
            // decoder is put into the hood by its own, an address is not the controller's.
            if (!part || (gone == 0 && part->command.word != whole->command.word)) continue;
            ++understoodLess;
            EXPECT_TRUE(saysNothingElse(*part, *whole)) << line << " → " << jot::joined(rest);
        }
    }
    EXPECT_GT(understoodLess * everyExample, 5U);
}
TEST(JotExamples, WithWordsSwappedMeanTheSameOrAreRefused) {
    std::size_t same = 0;
    for (const auto& [line, job] : examples()) {
        const auto meant = heard(line, job);
        const auto words = wordsOf(line);
        for (std::size_t i = 0; i < words.size(); ++i) {
            for (std::size_t j = i + 1; j < words.size(); ++j) {
                auto swapped = words;
                std::swap(swapped[i], swapped[j]);
                // Readings of one kind come in any order; back and up have theirs.
                const std::string typed = jot::joined(swapped);
                if (line.starts_with("place") && typed.find("41mm") < typed.find("3mm")) continue;
                // Which lamp is held against which is said by "of" and "like" before its name.
                if (line.starts_with("target") && (typed.find("of rear") != std::string::npos ||
                                                   typed.find("like rear") != std::string::npos)) {
                    continue;
                }
                // Its two times are told apart by the words before them.
                if (line.starts_with("momentum")) continue;
                const auto result = heard(jot::joined(swapped), job);
                if (!result) continue;
                ++same;
                Job after = result->after;
                Job wanted = meant->after;
                if (line.starts_with("ohms")) {
                    const auto sorted = [](Job& sort) {
                        std::ranges::sort(sort.units.at(0).motors.at(0).windings, {},
                                          &Measured<Ohms>::value);
                    };
                    sorted(after);
                    sorted(wanted);
                }
                EXPECT_TRUE(after == wanted) << line << " → " << jot::joined(swapped);
            }
        }
    }
    EXPECT_GT(same * everyExample, 40U);
}
TEST(JotExamples, WithALetterWrongMeanTheSameOrAreRefused) {
    for (const auto& [line, job] : examples()) {
        // Their names are one letter apart: dcc and dc, N and Z, L2 and R2.
        if (line.starts_with("supply") || line.starts_with("scale") || line.starts_with("pickup"))
            continue;
        const auto meant = heard(line, job);
        for (std::size_t i = 0; i < line.size();
             i += tests::sanitized ? 6 : 1) {  // it only repeats
            const char letter = line[i];
            // A wrong digit or unit is another value, which nobody can know.
            std::size_t from = line.rfind(' ', i);
            from = from == std::string::npos ? 0 : from + 1;
            const bool inNumber = (line[from] >= '0' && line[from] <= '9') || line[from] == '.';
            if (inNumber || !std::isalpha(static_cast<unsigned char>(letter))) continue;
            std::vector<std::string> garbled;
            constexpr char step = tests::sanitized ? 5 : 1;
            for (char other = 'a'; other <= 'z'; other = static_cast<char>(other + step)) {
                garbled.push_back(line);
                garbled.back()[i] = other;
            }
            garbled.push_back(std::string(line).erase(i, 1));
            garbled.push_back(std::string(line).insert(i, 1, letter));
            for (const std::string& wrong : garbled) {
                const auto result = heard(wrong, job);
                if (!result) continue;
                EXPECT_TRUE(result->after == meant->after) << line << " → " << wrong;
            }
        }
    }
}
TEST(JotCompletions, LeadToLinesThatAreUnderstoodOrLackSomething) {
    std::size_t offered = 0;
    for (const auto& [line, job] : examples()) {
        for (std::size_t size = 0; size <= line.size(); size += tests::sanitized ? 5 : 1) {
            for (const JotCompletion& each : jotCompletions(line.substr(0, size), job, parts)) {
                ++offered;
                EXPECT_TRUE(each.line.find(each.word) != std::string::npos) << each.line;
                const auto result = heard(each.line, job);
                if (result || result.error().code == ErrorCode::Missing) continue;
                // What is refused is refused for what the job is, not for the word offered.
                EXPECT_EQ(plain(result.error().what).find("“" + each.word + "”"), std::string::npos)
                    << each.line << ": " << plain(result.error().what);
            }
        }
    }
    EXPECT_GT(offered * everyExample, 500U);
}
TEST(JotCompletions, OfferVerbsNamesAndWhatComesBehindAWord) {
    const auto words = [](const std::string& line) {
        std::vector<std::string> all;
        for (const JotCompletion& each : jotCompletions(line, spokenTo, parts)) {
            all.push_back(each.word);
        }
        return all;
    };
    using Words = std::vector<std::string>;
    EXPECT_EQ(words("s"), (Words{"settings", "starts",    "stall", "slip",   "supply", "switch",
                                 "speaker",  "socket",    "strip", "seen",   "shared", "split",
                                 "series",   "smoothing", "soft",  "shadow", "step",   "swap",
                                 "steps",    "stops",     "scale", "spread", "school"}));
    EXPECT_EQ(words("res"), (Words{"resistor"}));
    EXPECT_EQ(words("resistor "), (Words{"front lamp", "rear lamp", "cab lamp", "none", "open"}));
    EXPECT_EQ(words("resistor r"), (Words{"rear lamp"}));
    EXPECT_EQ(words("resistor rear "), (Words{"none", "open"}));
    EXPECT_EQ(words("lamp rear red on "), (Words{"front", "rear", "1", "supply"}));
    EXPECT_EQ(words("lamp rear red o"), (Words{"on"}));
    EXPECT_EQ(words("note "), Words{});
    EXPECT_EQ(words("wheelbarrow "), Words{});
    EXPECT_EQ(words("stall 1.15A 12V hot "), Words{});
    const auto commands = jotCompletions("stal", spokenTo, parts);
    ASSERT_EQ(commands.size(), 1U);
    EXPECT_EQ(commands[0].line, "stall ");
    EXPECT_EQ(commands[0].says, "stall AMPS VOLTS [scatter SCATTER]");
    EXPECT_EQ(jotCompletions("2k2 resistor re", spokenTo, parts)[0].line,
              "2k2 resistor rear lamp ");
}
TEST(JotExamples, LeadToTheStageThatTheyAreOf) {
    for (const auto& [command, stage] : jobCommands()) {
        const std::string example = command->examples.front();
        const auto result = heard(example, whereItHolds(example));
        ASSERT_TRUE(result.has_value()) << example;
        if (result->goes) continue;
        EXPECT_EQ(result->stage, stage) << example;
    }
    // One line does nothing else.
    const auto gone = heard("go lamps", shunter());
    EXPECT_TRUE(gone->goes);
    EXPECT_EQ(gone->stage, "lamps");
    EXPECT_TRUE(gone->after == shunter());
    EXPECT_FALSE(heard("go choose", tests::newJob("Holm Light", "lighthouse")));
    EXPECT_EQ(heard("stall 1A 12V")->stage, "measure");
    EXPECT_EQ(heard("remove rear lamp")->stage, "lamps");
    EXPECT_EQ(heard("remove stall")->stage, "measure");
    EXPECT_TRUE(heard("note x")->stage.empty());
}
TEST(JotNames, ASlipOfAShortWordIsOfTheNextKey) {
    const auto near = [](const char* wanted, const char* word) {
        jot::Nearest nearest(wanted);
        nearest.offer(word);
        return !nearest.word().empty();
    };
    EXPECT_TRUE(near("wirr", "wire"));   // beside it
    EXPECT_TRUE(near("sire", "wire"));   // below it
    EXPECT_TRUE(near("wife", "wire"));   // below, one on
    EXPECT_FALSE(near("xire", "wire"));  // two rows away
    EXPECT_FALSE(near("wipe", "wire"));  // far along the row
    EXPECT_FALSE(near("lot", "not"));
    EXPECT_TRUE(near("wier", "wire"));  // swapped
    EXPECT_TRUE(near("resisxor", "resistor"));
}
TEST(JotNames, ListNoMoreThanOneTakesIn) {
    Job many = tests::newJob("many", "saloon", {});
    for (int i = 1; i <= 15; ++i) {
        many = heard("lamp white on supply called glow " + std::to_string(i), many)->after;
    }
    const std::string all = answer(heard("resistor roof 1k", many));
    EXPECT_NE(all.find("glow 14 …"), std::string::npos) << all;
    EXPECT_EQ(answer(heard("resistor glow 1k", many)).find("✗ “glow” can be several: glow 1, "),
              0U);
    EXPECT_EQ(answer(heard("resistor roof 1k", shunter())),
              "✗ There is no lamp yet. Add one first: lamp front white.");
    EXPECT_EQ(answer(heard("output front bare", many)),
              "✗ There is no decoder yet, so it has no outputs.");
}
TEST(JotForms, ShowWhatMayBeLeftOut) {
    std::vector<std::string> patterns;
    for (const JotForm& form : jotForms()) patterns.push_back(form.pattern);
    for (const char* wanted :
         {"stall AMPS VOLTS [scatter SCATTER]",
          "slip AMPS [VOLTS] [scatter SCATTER] [THROTTLE] [PERCENT]", "ohms OHMS …", "note WORDS",
          "lamp [PLACE] [COLOUR] [VOLTS] [AMPS] [for WISH] [on OUTPUT] [called WORDS] [SIZE] [HOW] "
          "[COUNT] [OHMS]"}) {
        EXPECT_NE(std::find(patterns.begin(), patterns.end(), wanted), patterns.end()) << wanted;
    }
}

}  // namespace
}  // namespace glimmet::core
