#include "app/theme/theme.h"

#include "core/led/light_colour.h"
#include "sheets/typeface.h"

#include <QApplication>
#include <QFontDatabase>
#include <QHash>
#include <QPalette>
#include <QStyleFactory>

#include <map>
#include <utility>

using namespace Qt::StringLiterals;

// Resources of a static library are registered from outside any namespace.
static void registerResources() { Q_INIT_RESOURCE(app); }

namespace glimmet::app {
namespace {

Theme day() {
    Theme t;
    t.paper = QColor(0xF3, 0xEC, 0xDC);
    t.paperEdge = QColor(0xCF, 0xC2, 0xA6);
    t.paperRaised = QColor(0xFB, 0xF7, 0xEC);
    t.ink = QColor(0x2A, 0x25, 0x1E);
    t.inkSoft = QColor(0x5E, 0x54, 0x44);
    t.brass = QColor(0x8A, 0x64, 0x1E);
    t.onBrass = QColor(0xFF, 0xFB, 0xF0);
    t.mat = QColor(0x3B, 0x57, 0x50);
    t.matLine = QColor(0x45, 0x62, 0x5A);
    t.matLineStrong = QColor(0x5B, 0x79, 0x70);
    t.matInk = QColor(0xF0, 0xF2, 0xE2);
    t.body = QColor(0xE9, 0xE2, 0xCC);
    t.hollow = QColor(0x4C, 0x68, 0x60);
    t.fine = QColor(0x2F, 0x6B, 0x46);
    t.close = QColor(0x8F, 0x5A, 0x00);
    t.over = QColor(0xA3, 0x2A, 0x22);
    t.ask = QColor(0x2C, 0x5A, 0x86);
    return t;
}

Theme nightly() {
    Theme t;
    t.night = true;
    t.paper = QColor(0x1F, 0x1C, 0x18);
    t.paperEdge = QColor(0x43, 0x3B, 0x2F);
    t.paperRaised = QColor(0x2B, 0x27, 0x21);
    t.ink = QColor(0xE8, 0xDE, 0xC8);
    t.inkSoft = QColor(0xB3, 0xA6, 0x8C);
    t.brass = QColor(0xD2, 0xA2, 0x4C);
    t.onBrass = QColor(0x1B, 0x17, 0x10);
    t.mat = QColor(0x13, 0x1F, 0x1C);
    t.matLine = QColor(0x19, 0x28, 0x24);
    t.matLineStrong = QColor(0x25, 0x3A, 0x34);
    t.matInk = QColor(0xC9, 0xD3, 0xC2);
    t.body = QColor(0x3C, 0x40, 0x38);
    t.hollow = QColor(0x1B, 0x2B, 0x27);
    t.fine = QColor(0x7D, 0xC0, 0x92);
    t.close = QColor(0xE0, 0xA8, 0x4A);
    t.over = QColor(0xF0, 0x84, 0x74);
    t.ask = QColor(0x8E, 0xB8, 0xE2);
    return t;
}

Theme current = day();

QString styleSheet(const Theme& t) {
    return uR"(
        QMainWindow, QDialog, #bench { background: %2; }
        QMenuBar { background: %2; border-bottom: 1px solid %3; }
        QMenuBar::item { padding: 5px 10px; background: transparent; }
        QMenuBar::item:selected, QMenu::item:selected { background: %5; color: %6; }
        QMenu { background: %4; border: 1px solid %3; padding: 4px; }
        QMenu::item { padding: 6px 26px 6px 22px; }
        QMenu::item:disabled { color: %7; }
        QMenu::separator { height: 1px; background: %3; margin: 4px 8px; }
        QToolTip { background: %4; color: %1; border: 1px solid %5; padding: 5px; }
        QLineEdit { background: %4; border: 1px solid %3; border-radius: 3px; padding: 6px 8px;
                    selection-background-color: %5; selection-color: %6; }
        QLineEdit:focus { border: 2px solid %5; padding: 5px 7px; }
        QPushButton { background: %4; border: 1px solid %3; border-radius: 3px; padding: 7px 14px; }
        QPushButton:hover { border-color: %5; }
        QPushButton:focus { border: 2px solid %5; padding: 6px 13px; }
        QPushButton:checked, QPushButton[main="true"] { background: %5; color: %6; border-color: %5; }
        QPushButton:disabled, QToolButton:disabled { color: %7; }
        QToolButton { background: %4; border: 1px solid %3; border-radius: 3px; padding: 3px 7px; }
        QToolButton:hover { border-color: %5; }
        QToolButton:focus { border: 2px solid %5; padding: 2px 6px; }
        QToolButton:checked { background: %5; color: %6; border-color: %5; }
        QScrollArea, QScrollArea > QWidget > QWidget { background: %2; border: none; }
        QScrollBar:vertical { background: %2; width: 12px; }
        QScrollBar:horizontal { background: %2; height: 12px; }
        QScrollBar::handle { background: %3; border-radius: 4px; min-height: 30px; min-width: 30px; margin: 2px; }
        QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
        QTableView { background: %2; }
        QHeaderView, QHeaderView::section { background: %2; color: %7; border: none; }
        QHeaderView::section { padding: 3px 8px; border-bottom: 1px solid %3; }
        QSplitter::handle { background: %3; }
        QTextBrowser, QPlainTextEdit { background: %4; border: 1px solid %3; }
        #rule { background: %3; border: none; }
        #notice { background: %4; border-top: 2px solid %8; }
        #invitation { font-size: 17px; }
    )"_s.arg(t.ink.name(), t.paper.name(), t.paperEdge.name(), t.paperRaised.name(), t.brass.name(),
             t.onBrass.name(), t.inkSoft.name(), t.ask.name());
}

QFont made(const QString& family, double pixels, bool bold) {
    QFont font(family);
    font.setPixelSize(qRound(pixels));
    font.setBold(bold);
    return font;
}

}  // namespace

QColor Theme::of(core::State state) const {
    switch (state) {
        case core::State::Fine:
            return fine;
        case core::State::Close:
            return close;
        case core::State::Ask:
            return ask;
        case core::State::Over:
            break;
    }
    return over;
}

const Theme& theme() { return current; }

void useTheme(bool night) {
    current = night ? nightly() : day();
    const QString sheet = styleSheet(current);
    // Every widget there is would be dressed anew: a third of opening a window.
    if (sheet == qApp->styleSheet()) return;
    QPalette palette;
    palette.setColor(QPalette::Window, current.paper);
    palette.setColor(QPalette::WindowText, current.ink);
    palette.setColor(QPalette::Base, current.paperRaised);
    palette.setColor(QPalette::AlternateBase, current.paper);
    palette.setColor(QPalette::Text, current.ink);
    palette.setColor(QPalette::Button, current.paperRaised);
    palette.setColor(QPalette::ButtonText, current.ink);
    palette.setColor(QPalette::Highlight, current.brass);
    palette.setColor(QPalette::HighlightedText, current.onBrass);
    palette.setColor(QPalette::PlaceholderText, current.inkSoft);
    palette.setColor(QPalette::ToolTipBase, current.paperRaised);
    palette.setColor(QPalette::ToolTipText, current.ink);
    QApplication::setPalette(palette);
    qApp->setStyleSheet(sheet);
}

void loadTypefaces() {
    registerResources();
    for (const auto* file : {"routed-gothic.ttf", "routed-gothic-narrow.ttf"})
        QFontDatabase::addApplicationFont(u":/fonts/"_s + QLatin1StringView(file));
    QApplication::setFont(wordsFont(14));
    QApplication::setStyle(QStyleFactory::create(u"Fusion"_s));
}

QFont wordsFont(double pixels, bool bold) { return made(sheets::typeface(), pixels, bold); }
// B612's digits are all of one width, its point is narrow: the fixed-width face leaves a gap there.
QFont figuresFont(double pixels, bool bold) { return made(sheets::typeface(), pixels, bold); }
QFont draftingFont(double pixels) { return made(u"Routed Gothic"_s, pixels, false); }

QColor wireColour(const QString& name) {
    static const QHash<QString, QColor> colours{
        {u"red"_s, QColor(0xC4, 0x2B, 0x2B)},    {u"black"_s, QColor(0x1C, 0x1C, 0x1C)},
        {u"orange"_s, QColor(0xE8, 0x7A, 0x1E)}, {u"grey"_s, QColor(0x8C, 0x8F, 0x92)},
        {u"blue"_s, QColor(0x2F, 0x6F, 0xC4)},   {u"white"_s, QColor(0xF6, 0xF6, 0xF2)},
        {u"yellow"_s, QColor(0xF0, 0xCB, 0x2A)}, {u"green"_s, QColor(0x2E, 0x9B, 0x4F)},
        {u"violet"_s, QColor(0x8A, 0x4F, 0xB5)}, {u"brown"_s, QColor(0x7A, 0x4E, 0x2A)},
        {u"pink"_s, QColor(0xE5, 0x93, 0xB0)},   {u"purple"_s, QColor(0x6F, 0x2D, 0x8A)}};
    return colours.value(name, QColor(0xB0, 0xB0, 0xA8));
}

QColor lampColour(core::LedFamily family, const std::string& tint) {
    switch (family) {
        case core::LedFamily::Red:
            return {0xFF, 0x38, 0x2A};
        case core::LedFamily::Amber:
            return {0xFF, 0x9A, 0x1F};
        case core::LedFamily::Yellow:
            return {0xFF, 0xD8, 0x3A};
        case core::LedFamily::Green:
            return {0x8C, 0xE0, 0x4A};
        case core::LedFamily::TrueGreen:
            return {0x2C, 0xE6, 0x7A};
        case core::LedFamily::Blue:
            return {0x4A, 0x8C, 0xFF};
        case core::LedFamily::UltraViolet:
            return {0xA0, 0x6C, 0xFF};
        case core::LedFamily::White:
            break;
    }
    return tint == "cool" ? QColor(0xDE, 0xEA, 0xFF) : QColor(0xFF, 0xE2, 0xAE);
}

QColor lightColour(core::LedFamily family, const std::string& tint) {
    static std::map<std::pair<core::LedFamily, std::string>, QColor> known;
    const auto [place, isNew] = known.try_emplace({family, tint});
    if (isNew) {
        const core::ScreenColour made = core::onScreen(core::lightOf(family, tint));
        place->second =
            QColor::fromRgbF(static_cast<float>(made.red), static_cast<float>(made.green),
                             static_cast<float>(made.blue));
    }
    return place->second;
}

}  // namespace glimmet::app
