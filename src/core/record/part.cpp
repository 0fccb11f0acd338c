#include "core/record/part.h"

namespace glimmet::core {

Catalogue::Catalogue() = default;
Catalogue::Catalogue(const Catalogue&) = default;
Catalogue::Catalogue(Catalogue&&) noexcept = default;
Catalogue& Catalogue::operator=(const Catalogue&) = default;
Catalogue& Catalogue::operator=(Catalogue&&) noexcept = default;
Catalogue::~Catalogue() = default;

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

const BankPart* bankNamed(const Catalogue& catalogue, std::string_view idOrName) {
    for (const BankPart& bank : catalogue.banks) {
        if (bank.id == idOrName || bank.name == idOrName) return &bank;
    }
    return nullptr;
}

const BodyDrawing* bodyNamed(const Catalogue& catalogue, std::string_view idOrTitle) {
    for (const BodyDrawing& drawing : catalogue.bodies) {
        if (drawing.id == idOrTitle || drawing.title == idOrTitle) return &drawing;
    }
    return nullptr;
}

const KnownFault* faultNamed(const Catalogue& catalogue, std::string_view idOrTitle) {
    for (const KnownFault& fault : catalogue.faults) {
        if (fault.id == idOrTitle || fault.title == idOrTitle) return &fault;
    }
    return nullptr;
}

}  // namespace glimmet::core
