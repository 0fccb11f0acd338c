#include "sheets/typeface.h"

#include <QFontDatabase>

using namespace Qt::StringLiterals;

// Outside any namespace, as its macro wants it.
static void registerTypefaces() { Q_INIT_RESOURCE(sheets); }

namespace glimmet::sheets {

QString typeface() {
    static const QString family = [] {
        registerTypefaces();
        for (const auto* file : {"B612-Regular.otf", "B612-Bold.otf", "B612-Italic.otf"})
            QFontDatabase::addApplicationFont(u":/fonts/"_s + QLatin1StringView(file));
        return u"B612"_s;
    }();
    return family;
}

}  // namespace glimmet::sheets
