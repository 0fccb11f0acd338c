#include "sheets/said.h"

#include <QCoreApplication>

namespace glimmet::sheets {

QString said(const core::Text& text) {
    if (text.verbatim) return QString::fromStdString(text.pattern);
    const QString pattern = QCoreApplication::translate("core", text.pattern.c_str());
    QString words;
    for (qsizetype at = 0; at < pattern.size(); ++at) {
        const int index =
            pattern[at] == u'%' && at + 1 < pattern.size() ? pattern[at + 1].digitValue() - 1 : -1;
        if (index >= 0 && static_cast<std::size_t>(index) < text.values.size()) {
            words += said(text.values[static_cast<std::size_t>(index)]);
            ++at;
        } else {
            words += pattern[at];
        }
    }
    return words;
}

}  // namespace glimmet::sheets
