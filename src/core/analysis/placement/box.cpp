#include "core/analysis/placement/box.h"

#include <variant>

namespace glimmet::core {
namespace {

OuterMeasures sizeOf(const Decoder& part) { return {part.length, part.width, part.height}; }
OuterMeasures sizeOf(const BankPart& part) { return {part.length, part.width, part.height}; }
template <class Part>
OuterMeasures sizeOf(const Part& part) {
    return part.size;
}

template <class Part>
Box boxOf(std::string what, const Part& part, const std::optional<OuterMeasures>& outer,
          const std::optional<Fitted>& placement) {
    const OuterMeasures size = outer.value_or(sizeOf(part));
    return {std::move(what), part.name, size.length, size.width, size.height, placement};
}

}  // namespace

std::vector<Box> boxesOf(const Job& job) {
    std::vector<Box> all;
    if (job.decoder)
        all.push_back(
            boxOf("decoder", job.decoder->part, job.decoder->outer, job.decoder->placement));
    if (job.bank)
        all.push_back(boxOf("bank", job.bank->part, job.bank->outer, job.bank->placement));
    for (const FittedItem& item : job.items) {
        std::visit(
            [&](const auto& part) {
                all.push_back(boxOf(item.id, part, item.outer, item.placement));
            },
            item.part);
    }
    return all;
}

}  // namespace glimmet::core
