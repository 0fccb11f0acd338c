// Jots of the decoder: which one, by which rule, what it should be.
#include "core/work/decoder/decoder.h"
#include "core/work/jotted.h"
#include "core/work/units.h"

#include <cmath>
#include <set>

namespace glimmet::core::decoder {
namespace {

using namespace jot;
using Kind = Argument::Kind;

// --- decoder ---------------------------------------------------------------------------------

std::vector<Named> decoderNames(const Context& context) {
    std::vector<Named> all;
    for (const Decoder& decoder : context.catalogue.decoders) {
        all.push_back({decoder.id, {decoder.name}, decoder.name});
    }
    all.push_back({"none", {"no"}, "takes it out"});
    return all;
}
/// "in the hood", "in unit 2"
Text placementWords(const Job& job, const std::string& called) {
    const Fitted placement = placementNamed(job, called);
    const bool numbered =
        placement.place.empty() && job.units[unitAt(job, placement.unit)].name.empty();
    return numbered ? text("in unit %1", called) : text("in the %1", called);
}
/// "decoder in tender": where the one that is there lies.
Result<JotResult> decoderIn(const ParsedLine& said) {
    const auto& before = said.context.job.decoder;
    const std::string& where = *said.name("IN");
    if (!before) {
        return refuse(ErrorCode::Missing, text("Which decoder? Write it like decoder %1 in %2.",
                                               said.context.catalogue.decoders.front().id, where));
    }
    JotResult result = jotted(said, text("Decoder: %1", placementWords(said.context.job, where)));
    result.after.decoder->placement = placementNamed(said.context.job, where);
    return result;
}
Result<JotResult> decoder(const ParsedLine& said) {
    if (!said.name("NAME")) {
        if (said.name("IN")) return decoderIn(said);
        return refuse(ErrorCode::Missing,
                      text("Which decoder? Write it like %1.", said.command.examples.front()));
    }
    const std::string& id = *said.name("NAME");
    const std::optional<FittedDecoder>& before = said.context.job.decoder;
    JotResult result = jotted(said, text("No decoder"));
    result.after.decoder.reset();
    std::string forgotten;  // outputs of the old one that were looked at
    const Decoder* found = decoderNamed(said.context.catalogue, id);
    if (found) {
        result.after.decoder = FittedDecoder{*found, before ? before->placement : std::nullopt};
        result.meaning = text("Decoder: %1", found->name);
        if (const auto& where = said.name("IN")) {
            result.after.decoder->placement = placementNamed(said.context.job, *where);
            result.meaning =
                text("%1, %2", result.meaning, placementWords(said.context.job, *where));
        }
    } else if (said.name("IN")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Without a decoder there is nothing to place: write decoder none."));
    }
    for (const DecoderOutput& old : before ? before->part.outputs : std::vector<DecoderOutput>{}) {
        if (old.seriesMeasured.empty()) continue;
        bool kept = false;
        if (found && found->id == before->part.id) {
            // The same again keeps what was found out about it.
            for (DecoderOutput& output : result.after.decoder->part.outputs) {
                if (output.name != old.name) continue;
                output.series = old.series;
                output.seriesMeasured = old.seriesMeasured;
                kept = true;
            }
        }
        if (!kept) forgotten += (forgotten.empty() ? "" : ", ") + old.name;
    }
    if (!forgotten.empty()) {
        result.meaning = text("%1; what was found on the outputs of %2 no longer counts: %3",
                              result.meaning, before->part.name, forgotten);
    }
    return result;
}

// --- wishes ----------------------------------------------------------------------------------

std::vector<Named> socketNames(const Context& context) {
    // Those that are usual, and whatever else the catalogue plugs into.
    std::set<std::string> all{"6-pin", "8-pin", "18-contact", "21-contact", "screw terminals"};
    for (const Decoder& decoder : context.catalogue.decoders) {
        if (!decoder.plug.empty() && decoder.plug != "hard-wired") all.insert(decoder.plug);
    }
    std::vector<Named> named;
    for (const std::string& plug : all) {
        // "8 pin"
        std::string parted = plug;
        std::ranges::replace(parted, '-', ' ');
        named.push_back({plug, {parted}, "a socket in the model"});
    }
    named.push_back({"none", {"no", "hard-wired", "wired"}, "leads are soldered"});
    named.push_back({"any", {"unknown"}, "not said"});
    return named;
}
Result<JotResult> socket(const ParsedLine& said) {
    const std::string& name = *said.name("SOCKET");
    JotResult result = jotted(said, name == "any"    ? text("Socket: not said")
                                    : name == "none" ? text("No socket: leads are soldered")
                                                     : text("Socket: %1", name));
    result.after.wanted.socket = name == "any" ? "" : name;
    return result;
}

std::vector<Named> soundOnly(const Context&) {
    return {{"sound", {}, "a decoder that makes sound"},
            {"no sound", {"silent"}, "sound is not asked for"}};
}
/// "only sound under 24mm": what a decoder should be. Each wish stands until it is taken back.
Result<JotResult> only(const ParsedLine& said) {
    const auto longest = said.one<Millimetres>("LENGTH");
    const std::vector<double>& price = said.at("PRICE").quantities;
    const auto& sound = said.name("SOUND");
    const bool any = said.name("ANY").has_value();
    if (!longest && !sound && price.empty() && !any) {
        return refuse(ErrorCode::Missing,
                      text("Which only? Write it like %1.", said.command.examples.front()));
    }
    if (any && (longest || sound || !price.empty())) {
        return refuse(ErrorCode::NotUnderstood, text("Any takes all wishes back: say it alone."));
    }
    JotResult result = jotted(said, {});
    Wanted& wanted = result.after.wanted;
    if (any) {
        result.meaning = text("Any decoder will do");
        Wanted none;
        none.socket = wanted.socket;  // what the model has is no wish
        wanted = none;
        return result;
    }
    if (sound) {
        wanted.sound = *sound == "sound";
        wanted.soundRefused.clear();
        result.meaning = wanted.sound ? text("Wished for: sound") : text("Sound is not asked for");
    }
    if (longest) {
        wanted.longest = *longest;
        const Text length = text("No longer than %1", formatted(*longest));
        result.meaning = sound ? text("%1; %2", result.meaning, length) : length;
    }
    if (!price.empty()) {
        wanted.price = price.front();
        const Text most = text("No dearer than %1", formatted(price.front(), Dimension::Ratio));
        result.meaning = sound || longest ? text("%1; %2", result.meaning, most) : most;
    }
    return result;
}

/// "refuse sound no room for a speaker": kept for hand-over.
Result<JotResult> refuseWish(const ParsedLine& said) {
    const std::string& what = *said.name("WISH");
    if (what != "sound") {
        const std::string& reason = said.at("WHY").words;
        JotResult noted = jotted(said, text("No %1: %2", what, reason));
        auto& all = noted.after.wanted.refused;
        std::erase_if(all, [&](const RefusedWish& each) { return each.what == what; });
        all.push_back({what, reason});
        return noted;
    }
    if (!said.context.job.wanted.sound) {
        return refuse(ErrorCode::Unknown, text("Nobody asked for sound. Write first: only sound."));
    }
    const std::string& why = said.at("WHY").words;
    JotResult result = jotted(said, text("No sound: %1", why));
    result.after.wanted.soundRefused = why;
    return result;
}

std::vector<Named> readingBack(const Context&) {
    return {{"reads back", {"can read", "reads"}, "it can read a decoder's settings"},
            {"cannot read", {"no reading", "cannot read back"}, "it can only write them"}};
}
/// "controller 12 keys", "controller cannot read": what its owner runs it with.
Result<JotResult> controller(const ParsedLine& said) {
    const auto& keys = said.at("KEYS").quantities;
    const auto& address = said.at("ADDRESS").quantities;
    const auto& reads = said.name("READS");
    if (keys.empty() && address.empty() && !reads) {
        return refuse(ErrorCode::Missing,
                      text("What of it? Write it like %1.", said.command.examples.front()));
    }
    for (const auto* number : {&keys, &address}) {
        if (!number->empty() && number->front() > std::floor(number->front())) {
            return refuse(ErrorCode::OutOfRange, text("That is counted in whole numbers."));
        }
    }
    JotResult result = jotted(said, text("The owner's controller"));
    Controller& made = result.after.controller;
    const auto tell = [&](Text more) { result.meaning = text("%1, %2", result.meaning, more); };
    if (!keys.empty()) {
        made.keys = static_cast<int>(keys.front());
        tell(text("%1 keys", std::to_string(*made.keys)));
    }
    if (!address.empty()) {
        made.longestAddress = static_cast<int>(address.front());
        tell(text("addresses up to %1", std::to_string(*made.longestAddress)));
    }
    if (reads) {
        made.readsBack = *reads == "reads back";
        tell(*made.readsBack ? text("reads settings back") : text("cannot read settings back"));
    }
    return result;
}

constexpr Argument decoderArguments[] = {
    {.what = "NAME",
     .kind = Kind::Name,
     .names = decoderNames,
     .unknown = "No decoder goes by “%1”. The catalogue has: %2."},
    {.what = "IN",
     .kind = Kind::Name,
     .after = "in",
     .names = placementNames,
     .unknown = "“%1” is no place in this model. There are: %2."}};
constexpr Argument socketArguments[] = {
    {.what = "SOCKET",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which socket does the model have?",
     .names = socketNames,
     .unknown = "“%1” is no socket that is known. There are: %2."}};
std::vector<Named> anyOnly(const Context&) { return {{"any", {"all"}, "takes the wishes back"}}; }
constexpr Argument onlyArguments[] = {
    {.what = "SOUND", .kind = Kind::Name, .names = soundOnly},
    {.what = "LENGTH",
     .dimension = Dimension::Length,
     .least = 0.005,
     .most = 0.3,
     .unitNeeded = true},
    {.what = "PRICE", .after = "price", .dimension = Dimension::Ratio, .least = 1, .most = 1e5},
    {.what = "ANY", .kind = Kind::Name, .names = anyOnly}};
std::vector<Named> wishNames(const Context&) {
    return {{"sound", {}, "the wish for sound"},
            {"lamps", {"lights", "lamp"}, "the wish for lamps"},
            {"stay-alive", {"stay alive"}, "the wish for a stay-alive"},
            {"decoder", {}, "the wish for a decoder"},
            {"smoke", {}, "the wish for smoke"},
            {"couplers", {"coupler"}, "the wish for other couplers"}};
}
constexpr Argument refuseArguments[] = {{.what = "WISH",
                                         .kind = Kind::Name,
                                         .needed = true,
                                         .missing = "Which wish?",
                                         .names = wishNames},
                                        {.what = "WHY",
                                         .kind = Kind::Words,
                                         .needed = true,
                                         .missing = "Why not? It is told at hand-over."}};

constexpr Argument controllerArguments[] = {
    {.what = "ADDRESS",
     .after = "address",
     .dimension = Dimension::Ratio,
     .least = 1,
     .most = 10239},
    {.what = "KEYS", .dimension = Dimension::Ratio, .least = 1, .most = 69},
    {.what = "READS", .kind = Kind::Name, .names = readingBack}};
constexpr const char* controllerExamples[] = {"controller 12 keys", "controller address 99",
                                              "controller cannot read"};
constexpr const char* controllerNoise[] = {"key", "keys", "functions", "up",
                                           "to",  "back", "has",       "owner"};
constexpr const char* decoderExamples[] = {"decoder four-wire-1.0", "decoder none"};
constexpr const char* decoderNoise[] = {"the", "sits", "lies", "is"};
constexpr const char* socketNoise[] = {"has", "a", "an", "plug"};
constexpr const char* socketExamples[] = {"socket 8-pin", "socket none"};
constexpr const char* onlyExamples[] = {"only sound", "only under 24mm", "only price 40",
                                        "only any"};
constexpr const char* onlyWords[] = {"under", "below", "want", "needs"};
constexpr const char* onlyNoise[] = {"under", "below", "with", "decoder", "decoders", "a"};
constexpr const char* refuseExamples[] = {"refuse sound no room for a speaker"};
constexpr const char* refuseNoise[] = {"because"};

constexpr Command table[] = {
    {"decoder",
     {},
     decoderArguments,
     decoderExamples,
     "fit a decoder of the catalogue, and where; none takes it out",
     decoder,
     false,
     decoderNoise},
    {"controller",
     {},
     controllerArguments,
     controllerExamples,
     "what its owner runs it with: keys, addresses, whether it reads",
     controller,
     false,
     controllerNoise},
    {"socket",
     {},
     socketArguments,
     socketExamples,
     "what the model has for a plug",
     socket,
     false,
     socketNoise},
    {"only", onlyWords, onlyArguments, onlyExamples,
     "what the decoder should be; any takes it back", only, false, onlyNoise},
    {"refuse",
     {},
     refuseArguments,
     refuseExamples,
     "a wish that is not met, and why",
     refuseWish,
     false,
     refuseNoise},
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::decoder
