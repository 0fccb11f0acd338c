#include "core/finding/figure.h"

#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core {

Text words(const Basis& basis) {
    const bool dated = !basis.on.empty();
    const bool detailed = !basis.detail.empty();
    switch (basis.kind) {
        case Basis::Kind::Measured:
            if (dated && detailed) return text("measured %1, %2", basis.on, basis.detail);
            if (dated) return text("measured %1", basis.on);
            return detailed ? text("measured, %1", basis.detail) : text("measured");
        case Basis::Kind::Chosen:
            return detailed ? text("chosen: %1", basis.detail) : text("chosen");
        case Basis::Kind::Catalogue:
            return detailed ? text("catalogue: %1", basis.detail) : text("catalogue");
        case Basis::Kind::Assumed:
            return detailed ? text("assumed: %1", basis.detail) : text("assumed");
        case Basis::Kind::Computed:
            return text("computed");
        case Basis::Kind::Missing:
            break;
    }
    return detailed ? text("not measured: %1", basis.detail) : text("not measured");
}

std::string shown(const Figure& figure) {
    if (!figure.value) return "not known";
    // A bare 0.15 tells nobody what it is a share of.
    if (figure.dimension == Dimension::Ratio) return percent(*figure.value);
    return formatted(*figure.value, figure.dimension);
}

std::string withValues(const Figure& figure) {
    std::vector<const Figure*> inputs;
    for (const Figure& input : figure.inputs) inputs.push_back(&input);
    std::stable_sort(inputs.begin(), inputs.end(), [](const Figure* a, const Figure* b) {
        return a->symbol.size() > b->symbol.size();
    });
    std::string written;
    for (std::size_t at = 0; at < figure.formula.size();) {
        const Figure* found = nullptr;
        for (const Figure* input : inputs) {
            if (!input->symbol.empty() &&
                figure.formula.compare(at, input->symbol.size(), input->symbol) == 0) {
                found = input;
                break;
            }
        }
        if (found) {
            written += shown(*found);
            at += found->symbol.size();
        } else {
            written += figure.formula[at++];
        }
    }
    return written;
}

bool restsOnAssumption(const Figure& figure) {
    return figure.basis.kind == Basis::Kind::Assumed ||
           std::any_of(figure.inputs.begin(), figure.inputs.end(), restsOnAssumption);
}

Figure figures::missing(Text name, std::string symbol, Dimension dimension, Text detail,
                        std::string jot) {
    return {std::move(name),
            std::move(symbol),
            std::nullopt,
            dimension,
            {Basis::Kind::Missing, {}, std::move(detail)},
            {},
            {},
            std::move(jot)};
}

}  // namespace glimmet::core
