// How Glimmet looks: two themes, three typefaces.
#pragma once

#include "core/finding/state.h"
#include "core/led/led.h"

#include <QColor>
#include <QFont>
#include <QString>

namespace glimmet::app {

/// Day is paper on a cutting mat; night is for judging lamps with the room lights off.
struct Theme {
    bool night = false;
    QColor paper;        ///< panels with words
    QColor paperEdge;    ///< lines between panels
    QColor paperRaised;  ///< fields, rows under the pointer
    QColor ink;          ///< words
    QColor inkSoft;      ///< words that explain; still 4.5:1 on paper
    QColor brass;        ///< what can be pressed, where one is
    QColor onBrass;
    QColor mat;            ///< ground of the picture
    QColor matLine;        ///< each millimetre
    QColor matLineStrong;  ///< each centimetre
    QColor matInk;         ///< drafting on the mat
    QColor body;           ///< the cut-open body
    QColor hollow;
    QColor fine, close, over, ask;

    [[nodiscard]] QColor of(core::State state) const;
};

[[nodiscard]] const Theme& theme();  ///< the one in use
void useTheme(bool night);           ///< changes palette and style of the whole application
void loadTypefaces();                ///< once, at start

[[nodiscard]] QFont wordsFont(double pixels, bool bold = false);    ///< B612
[[nodiscard]] QFont figuresFont(double pixels, bool bold = false);  ///< B612: digits of one width
[[nodiscard]] QFont draftingFont(double pixels);                    ///< Routed Gothic

/// The insulation colour a wire's name stands for; grey for unknown names.
[[nodiscard]] QColor wireColour(const QString& name);
/// What an LED of the family looks like when it is lit.
[[nodiscard]] QColor lampColour(core::LedFamily family, const std::string& tint);
/// Of its light in the dark, as physics has it (core/led/light_colour.h).
[[nodiscard]] QColor lightColour(core::LedFamily family, const std::string& tint);

}  // namespace glimmet::app
