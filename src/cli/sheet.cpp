#include "cli/sheet.h"

#include "core/work/sheets.h"
#include "sheets/sheet.h"

#include <QGuiApplication>

namespace glimmet::cli {
namespace {

/// Fonts need an application; it shows nothing and needs no display.
QByteArray onPaper(const core::Sheet& sheet) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    int argc = 1;
    char name[] = "glimmet-cli";
    char* argv[] = {name, nullptr};
    const QGuiApplication application(argc, argv);
    return sheets::pdf(sheet);
}

}  // namespace

std::string sheetNames() {
    std::string names;
    for (const core::SheetKind& kind : core::sheetKinds())
        names += (names.empty() ? "" : ", ") + std::string(kind.name);
    return names;
}

SheetRun sheetRun(const std::string& path, const Wanted& wanted, std::string_view kind,
                  std::string_view form, const std::string& userCatalogue) {
    const auto refused = [](std::string_view option, std::string_view found,
                            const std::string& allowed) {
        return SheetRun{
            {},
            {std::string(option) + ": found “" + std::string(found) + "”, allowed: " + allowed}};
    };
    const core::SheetKind* made = core::sheetKind(kind);
    if (!made) return refused("sheet: --for", kind, sheetNames());
    if (form != "html" && form != "pdf" && form != "text")
        return refused("sheet: --as", form, "html, pdf, text");
    const auto one = oneJob(path, wanted, userCatalogue);
    if (!one) return {{}, one.error()};
    const core::Sheet sheet =
        made->make(core::analysed(one->job, one->house, one->catalogue, one->sameType));
    if (form == "pdf") return {onPaper(sheet).toStdString(), {}};
    return {(form == "html" ? sheets::html(sheet) : sheets::plainText(sheet)).toStdString(), {}};
}

}  // namespace glimmet::cli
