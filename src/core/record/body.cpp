#include "core/record/body.h"

#include <utility>

namespace glimmet::core {
namespace {

using Fraction = std::pair<double, double>;  // of the length, of the height

// What a kind looks like, in shares of length and height. Drawn for the imagined harbour line.
struct Shape {
    const char* name;
    double prototypeLength;  ///< mm at 1:1
    double heightShare;      ///< height over length
    double widthShare;       ///< width over length
    std::vector<Fraction> profile;
    std::vector<std::pair<Fraction, Fraction>> openings;  ///< lower front, upper rear corners
    struct Hollow {
        const char* name;
        Fraction from, to;
    };
    std::vector<Hollow> hollows;
    std::vector<double> axles;  ///< share of the length
    double wheel;               ///< diameter as a share of the length
    std::size_t driven;         ///< how many axles from the front are driven
    struct Site {
        const char* name;
        Fraction at;
        Facing facing;
    };
    std::vector<Site> sites;
    std::optional<Fraction> motor;
};

Shape shapeOf(BodyKind kind) {
    switch (kind) {
        case BodyKind::DockShunter:  // short hoods both ends, cab in the rear half, stack ahead
            return {
                "dock-shunter",
                9200,
                0.46,
                0.32,
                {{0, .24},   {.03, .24}, {.03, .33}, {.06, .33}, {.06, .62}, {.09, .66}, {.20, .66},
                 {.20, .82}, {.26, .82}, {.26, .66}, {.52, .66}, {.52, .93}, {.55, 1},   {.85, 1},
                 {.88, .93}, {.88, .62}, {.94, .60}, {.94, .33}, {.97, .33}, {.97, .24}, {1, .24},
                 {1, .17},   {.9, .17},  {.9, .12},  {.1, .12},  {.1, .17},  {0, .17}},
                {{{.56, .66}, {.68, .9}}, {{.72, .66}, {.84, .9}}},
                {{"hood", {.08, .36}, {.5, .62}}, {"cab floor", {.54, .34}, {.86, .56}}},
                {.22, .5, .78},
                .125,
                3,
                {{"front lamp", {.05, .54}, Facing::Front},
                 {"rear lamp", {.95, .52}, Facing::Rear},
                 {"cab lamp", {.7, .92}, Facing::Inside}},
                Fraction{.42, .3}};
        case BodyKind::Railcar:
            return {"railcar",
                    26000,
                    0.145,
                    0.108,
                    {{0, .28},   {.004, .6}, {.015, .82}, {.035, .93}, {.06, .97},  {.3, .97},
                     {.31, 1},   {.42, 1},   {.43, .97},  {.94, .97},  {.965, .93}, {.985, .82},
                     {.996, .6}, {1, .28},   {1, .2},     {.9, .2},    {.9, .12},   {.66, .12},
                     {.64, .2},  {.36, .2},  {.34, .12},  {.1, .12},   {.1, .2},    {0, .2}},
                    {{{.018, .58}, {.05, .82}},
                     {{.1, .52}, {.16, .8}},
                     {{.19, .52}, {.25, .8}},
                     {{.28, .52}, {.34, .8}},
                     {{.37, .3}, {.41, .8}},
                     {{.44, .52}, {.5, .8}},
                     {{.53, .52}, {.59, .8}},
                     {{.62, .3}, {.66, .8}},
                     {{.69, .52}, {.75, .8}},
                     {{.78, .52}, {.84, .8}},
                     {{.95, .58}, {.982, .82}}},
                    {{"roof space", {.1, .84}, {.9, .95}}, {"under floor", {.38, .2}, {.62, .28}}},
                    {.1, .185, .815, .9},
                    .034,
                    2,
                    {{"front lamp", {.006, .42}, Facing::Front},
                     {"front tail lamp", {.005, .34}, Facing::Front},
                     {"rear lamp", {.994, .42}, Facing::Rear},
                     {"rear tail lamp", {.995, .34}, Facing::Rear},
                     {"saloon lamp", {.3, .86}, Facing::Inside},
                     {"rear saloon lamp", {.7, .86}, Facing::Inside}},
                    Fraction{.22, .34}};
        case BodyKind::Saloon:  // clerestory roof, table windows
            return {"saloon",
                    20000,
                    0.2,
                    0.14,
                    {{0, .26},
                     {0, .84},
                     {.02, .9},
                     {.06, .92},
                     {.08, 1},
                     {.92, 1},
                     {.94, .92},
                     {.98, .9},
                     {1, .84},
                     {1, .26},
                     {.98, .2},
                     {.02, .2}},
                    {{{.03, .3}, {.07, .78}},
                     {{.11, .5}, {.21, .78}},
                     {{.24, .5}, {.34, .78}},
                     {{.37, .5}, {.47, .78}},
                     {{.5, .5}, {.6, .78}},
                     {{.63, .5}, {.73, .78}},
                     {{.76, .5}, {.86, .78}},
                     {{.93, .3}, {.97, .78}}},
                    {{"roof", {.08, .86}, {.92, .97}}, {"under floor", {.3, .18}, {.7, .24}}},
                    {.12, .22, .78, .88},
                    .046,
                    0,
                    {{"roof lamp", {.25, .86}, Facing::Inside},
                     {"table lamp", {.42, .48}, Facing::Inside},
                     {"tail lamp", {.995, .36}, Facing::Rear}},
                    std::nullopt};
        case BodyKind::RotaryPlough:  // the wheel house leans ahead of a tall box
            return {"rotary-plough",
                    11500,
                    0.42,
                    0.28,
                    {{0, .16},
                     {.02, .78},
                     {.1, .86},
                     {.16, .72},
                     {.2, .72},
                     {.2, .92},
                     {.3, .92},
                     {.3, 1},
                     {.35, 1},
                     {.35, .92},
                     {.86, .92},
                     {.88, .84},
                     {.88, .46},
                     {1, .42},
                     {1, .22},
                     {.22, .22},
                     {.2, .14},
                     {.06, .06}},
                    {{{.23, .6}, {.3, .82}}, {{.46, .6}, {.56, .82}}, {{.7, .6}, {.8, .82}}},
                    {{"engine room", {.24, .26}, {.84, .56}}},
                    {.28, .42, .72, .86},
                    .085,
                    0,
                    {{"front lamp", {.13, .82}, Facing::Front},
                     {"beacon", {.33, .98}, Facing::Inside},
                     {"rear lamp", {.88, .6}, Facing::Rear}},
                    Fraction{.36, .36}};
        case BodyKind::Railbus:  // two axles, one deep curve of roof
            return {"railbus",
                    13000,
                    0.26,
                    0.2,
                    {{0, .26},
                     {.01, .55},
                     {.05, .82},
                     {.12, .95},
                     {.25, 1},
                     {.75, 1},
                     {.88, .95},
                     {.95, .82},
                     {.99, .55},
                     {1, .26},
                     {.98, .16},
                     {.02, .16}},
                    {{{.03, .52}, {.11, .78}},
                     {{.15, .28}, {.22, .82}},
                     {{.26, .52}, {.38, .82}},
                     {{.41, .52}, {.53, .82}},
                     {{.56, .52}, {.68, .82}},
                     {{.72, .28}, {.79, .82}},
                     {{.89, .52}, {.97, .78}}},
                    {{"under floor", {.3, .18}, {.7, .3}}, {"roof", {.2, .86}, {.8, .96}}},
                    {.2, .8},
                    .066,
                    1,
                    {{"front lamp", {.008, .42}, Facing::Front},
                     {"rear lamp", {.992, .42}, Facing::Rear},
                     {"saloon lamp", {.5, .88}, Facing::Inside}},
                    Fraction{.32, .25}};
        case BodyKind::CraneTender:  // flat deck, a house at the rear, a lattice boom at rest
            return {
                "crane-tender",
                10500,
                0.4,
                0.28,
                {{0, .3},    {.02, .3},  {.02, .46}, {.06, .46}, {.06, .36}, {.5, .36}, {.5, .52},
                 {.07, .6},  {.06, .66}, {.12, .7},  {.55, .82}, {.55, .94}, {.6, 1},   {.9, 1},
                 {.94, .94}, {.94, .36}, {1, .36},   {1, .26},   {.92, .2},  {.08, .2}, {0, .26}},
                {{{.6, .68}, {.72, .9}}, {{.78, .68}, {.9, .9}}},
                {{"house", {.58, .38}, {.92, .64}}, {"deck", {.1, .24}, {.48, .34}}},
                {.18, .82},
                .1,
                1,
                {{"front lamp", {.03, .42}, Facing::Front},
                 {"rear lamp", {.95, .6}, Facing::Rear},
                 {"deck lamp", {.56, .8}, Facing::Front}},
                Fraction{.7, .3}};
        case BodyKind::Lighthouse:
            return {"lighthouse",
                    9000,
                    1.9,
                    1.0,
                    {{0, 0},
                     {0, .1},
                     {.2, .14},
                     {.3, .7},
                     {.22, .72},
                     {.22, .76},
                     {.33, .76},
                     {.33, .9},
                     {.42, .96},
                     {.5, 1},
                     {.58, .96},
                     {.67, .9},
                     {.67, .76},
                     {.78, .76},
                     {.78, .72},
                     {.7, .7},
                     {.8, .14},
                     {1, .1},
                     {1, 0}},
                    {{{.36, .78}, {.64, .89}},
                     {{.45, .5}, {.55, .56}},
                     {{.45, .3}, {.55, .36}},
                     {{.44, .02}, {.56, .11}}},
                    {{"tower", {.32, .16}, {.68, .68}}},
                    {},
                    0,
                    0,
                    {{"lantern", {.5, .83}, Facing::Inside},
                     {"window glow", {.5, .53}, Facing::Inside},
                     {"door lamp", {.5, .13}, Facing::Inside}},
                    std::nullopt};
        case BodyKind::QuayHouse:
            break;  // net loft with a hoist gable and a lean-to smokehouse
    }
    return {"quay-house",
            16000,
            0.72,
            0.6,
            {{0, 0},
             {0, .5},
             {.18, .94},
             {.22, 1},
             {.26, .94},
             {.5, .58},
             {.52, .58},
             {.52, .86},
             {.58, .86},
             {.58, .52},
             {1, .36},
             {1, 0}},
            {{{.06, .1}, {.16, .34}},
             {{.28, .1}, {.4, .34}},
             {{.17, .52}, {.27, .72}},
             {{.66, 0}, {.78, .26}},
             {{.84, .12}, {.94, .26}}},
            {{"loft", {.08, .4}, {.44, .52}}, {"smokehouse", {.56, .02}, {.96, .3}}},
            {},
            0,
            0,
            {{"quay lamp", {.02, .44}, Facing::Front},
             {"loft lamp", {.22, .7}, Facing::Inside},
             {"smoke glow", {.72, .12}, Facing::Inside}},
            std::nullopt};
}

}  // namespace

std::string_view name(BodyKind kind) {
    switch (kind) {
        case BodyKind::DockShunter:
            return "dock-shunter";
        case BodyKind::Railcar:
            return "railcar";
        case BodyKind::Saloon:
            return "saloon";
        case BodyKind::RotaryPlough:
            return "rotary-plough";
        case BodyKind::Railbus:
            return "railbus";
        case BodyKind::CraneTender:
            return "crane-tender";
        case BodyKind::Lighthouse:
            return "lighthouse";
        case BodyKind::QuayHouse:
            break;
    }
    return "quay-house";
}

std::optional<BodyKind> bodyKindNamed(std::string_view wanted) {
    for (const BodyKind kind : bodyKinds) {
        if (name(kind) == wanted) return kind;
    }
    return {};
}

bool isStructure(BodyKind kind) {
    return kind == BodyKind::Lighthouse || kind == BodyKind::QuayHouse;
}

std::string_view name(Facing facing) {
    switch (facing) {
        case Facing::Front:
            return "front";
        case Facing::Rear:
            return "rear";
        case Facing::Inside:
            break;
    }
    return "inside";
}

std::optional<Facing> facingNamed(std::string_view wanted) {
    for (const Facing facing : {Facing::Front, Facing::Rear, Facing::Inside}) {
        if (name(facing) == wanted) return facing;
    }
    return {};
}

Millimetres usualLength(BodyKind kind, double ratio) {
    return Millimetres{shapeOf(kind).prototypeLength / ratio};
}

Body bodyTemplate(BodyKind kind, Millimetres length) {
    const Shape shape = shapeOf(kind);
    const Millimetres height = length * shape.heightShare;
    const auto point = [&](Fraction f) { return Point{length * f.first, height * f.second}; };
    Body body;
    body.kind = kind;
    body.length = length;
    body.height = height;
    body.width = length * shape.widthShare;
    for (const Fraction& f : shape.profile) body.profile.push_back(point(f));
    for (const auto& [low, high] : shape.openings) {
        body.openings.push_back({point(low), point({high.first, low.second}), point(high),
                                 point({low.first, high.second})});
    }
    for (const Shape::Hollow& hollow : shape.hollows) {
        const Point from = point(hollow.from);
        const Point to = point(hollow.to);
        body.cavities.push_back(
            {hollow.name, from, to.x - from.x, to.z - from.z, body.width * 0.8});
    }
    for (std::size_t i = 0; i < shape.axles.size(); ++i) {
        body.axles.push_back(
            {length * shape.axles[i], length * shape.wheel, i < shape.driven, true, true});
    }
    for (const Shape::Site& site : shape.sites) {
        body.sites.push_back({site.name, point(site.at), site.facing});
    }
    if (shape.motor) body.motor = point(*shape.motor);
    return body;
}

}  // namespace glimmet::core
