// Jots of the proof on plain direct current.
#include "core/work/dc_test/dc_test.h"
#include "core/work/in_order.h"
#include "core/work/jotted.h"

namespace glimmet::core::dc_test {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::vector<Named> directions(const Context&) {
    return {{"forward", {"forwards", "ahead"}, "chimney or cab first, as it is built"},
            {"reverse", {"backward", "backwards", "in reverse"}, "the other way"}};
}

Text paceWords(Pace pace) {
    switch (pace) {
        case Pace::Starts:
            return text("Starts");
        case Pace::Crawl:
            return text("Crawling");
        case Pace::Medium:
            return text("At medium speed");
        case Pace::Full:
            return text("At full speed");
        case Pace::Rocking:
            return text("Rocked to and fro,");
        case Pace::Auxiliary:
            break;
    }
    return text("With its auxiliary drive turning,");
}

template <Pace pace>
Result<JotResult> reading(const ParsedLine& said) {
    if (said.context.job.proof.readings.size() >= 1000) {
        return refuse(ErrorCode::OutOfRange, text("That are readings enough for one proof."));
    }
    const Direction direction = *named<Direction>(*said.name("DIRECTION"));
    ProofReading made{direction, pace, *said.one<Volts>("VOLTS"), said.one<Amperes>("AMPS"),
                      said.context.today};
    const Text way = direction == Direction::Forward ? text("forward") : text("in reverse");
    JotResult result =
        jotted(said, made.amps ? text("%1 %2: %3 at %4", paceWords(pace), way,
                                      formatted(*made.amps), formatted(made.volts))
                               : text("%1 %2: %3", paceWords(pace), way, formatted(made.volts)));
    enterByDay(result.after.proof.readings, std::move(made));
    return result;
}

std::vector<Named> wrongWay(const Context&) {
    return {{"wrong way",
             {"the wrong way", "wrong direction", "in the wrong direction", "backwards",
              "wrong way round"},
             "forward is backward"},
            {"forward only",
             {"only forward", "forwards only", "only forwards", "not in reverse", "one way",
              "one way only", "only one way", "in one direction", "in one direction only"},
             "it does not run in reverse"},
            {"in reverse only",
             {"reverse only", "only in reverse", "only reverse", "not forward", "not forwards"},
             "it does not run forward"},
            {"one of them",
             {"forward", "forwards", "in reverse", "reverse"},
             "the other way was not tried",
             true},
            {"both ways",
             {"fine", "well", "smoothly", "good", "ok", "both directions", "forward and reverse"},
             "as it should"}};
}
Result<JotResult> proved(const ParsedLine& said) {
    if (said.name("HOW") == "wrong way") {
        // A sign, no proof: swapped leads, or the decoder's direction.
        JotResult noted = jotted(said, text("Noted: runs the wrong way"));
        noted.after.proof.remarks.push_back("runs backwards");
        return noted;
    }
    if (said.name("HOW") == "one of them") {
        return refuse(ErrorCode::Missing,
                      text("And the other way? Write runs both ways, or runs forward only."));
    }
    if (const auto& how = said.name("HOW"); how && *how != "both ways") {
        JotResult failed = jotted(said, text("Fails on plain DC: runs %1", *how));
        failed.after.proof.runs = false;
        failed.after.proof.on = said.context.today;
        failed.after.proof.failed = "runs " + *how;
        failed.after.proof.goOn.clear();
        return failed;
    }
    JotResult result = jotted(said, text("It runs on plain DC, both ways"));
    result.after.proof.runs = true;
    result.after.proof.on = said.context.today;
    result.after.proof.failed.clear();
    result.after.proof.goOn.clear();
    return result;
}
/// "fails: short with a decoder in": a sign for intake's suspects; plain DC stands as it was.
Result<JotResult> withDecoder(const ParsedLine& said) {
    if (said.context.job.proof.remarks.size() >= 100)
        return refuse(ErrorCode::OutOfRange, text("Those are remarks enough for one proof."));
    JotResult result =
        jotted(said, said.context.job.proof.runs == true
                         ? text("Noted: %1. That it runs on plain DC stays proved", said.rest)
                         : text("Noted: %1. It says nothing of plain DC", said.rest));
    result.after.proof.remarks.push_back(said.rest);
    return result;
}
Result<JotResult> fails(const ParsedLine& said) {
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("How does it fail? Write it like %1.", said.command.examples.front()));
    }
    // What fails with a decoder says nothing of plain DC: that proof stays.
    const std::string words = lowered(said.rest);
    for (const char* digital : {"decoder", "dcc", "digital", "programming"}) {
        if (words.find(digital) != std::string::npos) return withDecoder(said);
    }
    // "fails on dc: stops every turn"
    std::string how = said.rest;
    for (const char* where : {"on plain dc", "on dc"}) {
        if (!lowered(how).starts_with(where)) continue;
        how.erase(0, std::string_view(where).size());
        how.erase(0, std::min(how.find_first_not_of(" :,"), how.size()));
        break;
    }
    if (how.empty()) how = said.rest;
    JotResult result = jotted(said, text("Fails on plain DC: %1", how));
    if (said.context.job.proof.runs == true) {
        result.meaning =
            said.context.job.proof.on.empty()
                ? text("%1; before, it was proved to run", result.meaning)
                : text("%1; it was proved to run on %2", result.meaning, said.context.job.proof.on);
    }
    result.after.proof.runs = false;
    result.after.proof.on = said.context.today;
    result.after.proof.failed = how;
    result.after.proof.goOn.clear();
    return result;
}
Result<JotResult> goOn(const ParsedLine& said) {
    if (said.context.job.proof.runs != false) {
        return refuse(ErrorCode::Unknown,
                      text("Nothing failed on plain DC that would have to be gone past."));
    }
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing, text("Why does the work go on? Write it like %1.",
                                               said.command.examples.front()));
    }
    JotResult result = jotted(said, text("The work goes on: %1", said.rest));
    result.after.proof.goOn = said.rest;
    return result;
}
/// "gone grinding", "grinding is gone": which remark is over; nothing: the line is a new one.
std::optional<std::string> goneIn(std::string_view rest) {
    if (rest == "gone" || rest == "none") return "";
    if (rest.starts_with("gone ")) return std::string(rest.substr(5));
    for (const std::string_view end : {" is gone", " gone"}) {
        if (rest.ends_with(end)) return std::string(rest.substr(0, rest.size() - end.size()));
    }
    return {};
}
Result<JotResult> gone(const ParsedLine& said, const std::string& which) {
    JotResult result = jotted(said, which.empty() ? text("Nothing is heard, seen or smelt any more")
                                                  : text("Gone: %1", which));
    std::vector<std::string>& remarks = result.after.proof.remarks;
    const std::size_t erased = std::erase_if(remarks, [&](const std::string& remark) {
        return which.empty() || lowered(remark) == lowered(which);
    });
    if (erased == 0) {
        std::string all;
        for (const std::string& remark : remarks) all += (all.empty() ? "“" : ", “") + remark + "”";
        return refuse(ErrorCode::Unknown,
                      all.empty() ? text("Nothing was heard that could be gone.")
                                  : text("No such remark was made. There are: %1.", all));
    }
    return result;
}
Result<JotResult> remark(const ParsedLine& said) {
    if (const auto which = goneIn(said.rest)) return gone(said, *which);
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing, text("What is to be heard? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (said.context.job.proof.remarks.size() >= 100) {
        return refuse(ErrorCode::OutOfRange, text("Those are remarks enough for one proof."));
    }
    JotResult result = jotted(said, text("Heard, seen or smelt: %1", said.rest));
    result.after.proof.remarks.push_back(said.rest);
    return result;
}

std::vector<Named> litOrNot(const Context&) {
    return {{"lamps", {"yes"}, "they light on plain DC"},
            {"no lamps", {"none", "nothing"}, "none lights on plain DC"}};
}
Result<JotResult> lit(const ParsedLine& said) {
    const bool lamps = said.name("LAMPS") == "lamps";
    JotResult result =
        jotted(said, lamps ? text("Lamps light on plain DC") : text("No lamp lights on plain DC"));
    result.after.proof.lamps = lamps;
    return result;
}

constexpr Argument readingArguments[] = {
    {.what = "DIRECTION",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which way: forward or reverse?",
     .names = directions},
    {.what = "VOLTS",
     .needed = true,
     .missing = "At how many volts?",
     .dimension = Dimension::Voltage,
     .least = 0.2,
     .most = 30},
    {.what = "AMPS", .dimension = Dimension::Current, .least = 0.003, .most = 20}};
constexpr Argument provedArguments[] = {{.what = "HOW", .kind = Kind::Name, .names = wrongWay}};
constexpr const char* provedWords[] = {"runs", "ran", "goes", "tried"};
constexpr const char* provedNoise[] = {"on",       "dc",   "plain", "it",    "both", "ways",
                                       "analogue", "well", "fine",  "tried", "runs"};
constexpr Argument litArguments[] = {{.what = "LAMPS",
                                      .kind = Kind::Name,
                                      .needed = true,
                                      .missing = "Lamps, or no lamps?",
                                      .names = litOrNot}};

constexpr const char* startsExamples[] = {"starts forward 2.5V", "starts reverse 2.8V"};
constexpr const char* startsWords[] = {"start", "started"};
constexpr const char* crawlExamples[] = {"crawl forward 3V 120mA"};
constexpr const char* crawlWords[] = {"crawls", "crawling"};
constexpr const char* mediumExamples[] = {"medium reverse 7V 200mA"};
constexpr const char* fullExamples[] = {"full forward 12V 260mA"};
constexpr const char* rockingExamples[] = {"rocking forward 6V 240mA"};
constexpr const char* rockingWords[] = {"rock", "rocked"};
constexpr const char* auxiliaryExamples[] = {"auxiliary forward 12V 420mA"};
constexpr const char* auxiliaryWords[] = {"aux"};
constexpr const char* auxiliaryNoise[] = {"drive", "on"};
constexpr const char* provedExamples[] = {"proved"};
constexpr const char* failsExamples[] = {"fails stops every turn of the wheels"};
constexpr const char* failsWords[] = {"failed"};
constexpr const char* continueExamples[] = {"continue it gets a new motor"};
constexpr const char* remarkExamples[] = {"remark grinding in reverse", "remark gone grinding"};
constexpr const char* remarkWords[] = {"noise", "smell"};
constexpr const char* litExamples[] = {"lit lamps", "lit no lamps"};
constexpr const char* paceNoise[] = {"speed"};

constexpr Command table[] = {
    {"starts", startsWords, readingArguments, startsExamples,
     "the volts at which it starts to move", reading<Pace::Starts>},
    {"crawl", crawlWords, readingArguments, crawlExamples, "as slowly as it runs steadily",
     reading<Pace::Crawl>, false, paceNoise},
    {"medium",
     {},
     readingArguments,
     mediumExamples,
     "at medium speed on plain DC",
     reading<Pace::Medium>,
     false,
     paceNoise},
    {"full",
     {},
     readingArguments,
     fullExamples,
     "at full speed on plain DC",
     reading<Pace::Full>,
     false,
     paceNoise},
    {"rocking", rockingWords, readingArguments, rockingExamples,
     "the most while it is rocked to and fro by the throttle", reading<Pace::Rocking>},
    {"auxiliary", auxiliaryWords, readingArguments, auxiliaryExamples,
     "with what its motor drives besides: a fan, a plough's wheel, a crane",
     reading<Pace::Auxiliary>, false, auxiliaryNoise},
    {"lit", {}, litArguments, litExamples, "whether lamps light on plain DC", lit},
    {"remark", remarkWords, {}, remarkExamples, "what is heard, seen or smelt", remark, true},
    {"proved", provedWords, provedArguments, provedExamples, "it runs on plain DC, both ways",
     proved, false, provedNoise},
    {"fails",
     failsWords,
     {},
     failsExamples,
     "how it fails on plain DC: that comes first",
     fails,
     true},
    {"continue", {}, {}, continueExamples, "why the work goes on although it failed", goOn, true},
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::dc_test
