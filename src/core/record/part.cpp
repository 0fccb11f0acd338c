#include "core/record/part.h"

namespace glimmet::core {

std::string_view name(OutputKind kind) {
    switch (kind) {
        case OutputKind::LowSide:
            return "low-side";
        case OutputKind::LogicLevel:
            return "logic-level";
        case OutputKind::LampSupply:
            return "lamp-supply";
        case OutputKind::ConstantCurrent:
            return "constant-current";
        case OutputKind::Unknown:
            break;
    }
    return "unknown";
}

std::optional<OutputKind> outputKindNamed(std::string_view wanted) {
    for (const OutputKind kind :
         {OutputKind::LowSide, OutputKind::LogicLevel, OutputKind::LampSupply,
          OutputKind::ConstantCurrent, OutputKind::Unknown}) {
        if (name(kind) == wanted) return kind;
    }
    return {};
}

const Decoder* decoderNamed(const Catalogue& catalogue, std::string_view idOrName) {
    for (const Decoder& decoder : catalogue.decoders) {
        if (decoder.id == idOrName || decoder.name == idOrName) return &decoder;
    }
    return nullptr;
}

const LampPart* lampNamed(const Catalogue& catalogue, std::string_view idOrName) {
    for (const LampPart& lamp : catalogue.lamps) {
        if (lamp.id == idOrName || lamp.name == idOrName) return &lamp;
    }
    return nullptr;
}

}  // namespace glimmet::core
