#include "sheets/sheet.h"

#include "sheets/said.h"
#include "sheets/typeface.h"

#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QPainter>
#include <QPdfWriter>
#include <QTextDocument>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::sheets {
namespace {

const QString box = u"☐ "_s;

QString escaped(const core::Text& text) { return said(text).toHtmlEscaped(); }

/// Widths and rules as attributes too: a text document knows few of CSS.
QString tableOf(const core::SheetTable& table) {
    QString out = u"<table width=\"100%\" cellspacing=\"0\" cellpadding=\"3\">\n<tr>"_s;
    for (const core::Text& head : table.heads)
        out += u"<th align=\"left\">%1</th>"_s.arg(escaped(head));
    out += u"</tr>\n"_s;
    for (const auto& row : table.rows) {
        out += u"<tr>"_s;
        for (const core::Text& cell : row) out += u"<td>%1</td>"_s.arg(escaped(cell));
        out += u"</tr>\n"_s;
    }
    return out + u"</table>\n"_s;
}

QString body(const core::Sheet& sheet) {
    QString out = u"<h1>%1</h1>\n"_s.arg(escaped(sheet.title));
    if (!sheet.under.empty()) out += u"<p class=\"under\">%1</p>\n"_s.arg(escaped(sheet.under));
    for (const core::SheetSection& section : sheet.sections) {
        out += u"<h2>%1</h2>\n"_s.arg(escaped(section.heading));
        for (const core::Text& line : section.lines)
            out += u"<p>%1%2</p>\n"_s.arg(section.ticked ? box : QString(), escaped(line));
        if (!section.table.heads.empty()) out += tableOf(section.table);
    }
    return out;
}

const QString style =
    uR"(body { font-family: sans-serif; font-size: 10pt; color: #000; max-width: 46em; margin: 2em auto; }
h1 { font-size: 17pt; margin-bottom: 2pt; }
h2 { font-size: 12pt; margin-top: 14pt; margin-bottom: 3pt; }
p { margin-top: 2pt; margin-bottom: 2pt; }
p.under { color: #555; }
table { border-collapse: collapse; }
th { border-bottom: 1px solid #000; }
td { border-bottom: 1px solid #bbb; vertical-align: top; }
)"_s;

QString padded(const QString& words, qsizetype width) { return words.leftJustified(width); }

QString plainTable(const core::SheetTable& table) {
    std::vector<std::vector<core::Text>> rows{table.heads};
    rows.insert(rows.end(), table.rows.begin(), table.rows.end());
    std::vector<qsizetype> widths(table.heads.size(), 0);
    for (const auto& row : rows) {
        for (std::size_t i = 0; i < row.size(); ++i)
            widths[i] = std::max(widths[i], said(row[i]).size());
    }
    QString out;
    for (const auto& row : rows) {
        QString line = u"  "_s;
        for (std::size_t i = 0; i < row.size(); ++i) line += padded(said(row[i]), widths[i] + 2);
        while (line.endsWith(u' ')) line.chop(1);
        out += line + u'\n';
    }
    return out;
}

}  // namespace

QString html(const core::Sheet& sheet) {
    return u"<!DOCTYPE html>\n<html>\n<head>\n<meta charset=\"utf-8\">\n<title>%1</title>\n"
           "<style>\n%2</style>\n</head>\n<body>\n%3</body>\n</html>\n"_s.arg(escaped(sheet.title),
                                                                              style, body(sheet));
}

QByteArray pdf(const core::Sheet& sheet) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setTitle(said(sheet.title));
    writer.setCreator(u"Glimmet"_s);
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setPageMargins(QMarginsF(18, 16, 18, 16), QPageLayout::Millimeter);
    writer.setResolution(300);

    QTextDocument document;
    document.documentLayout()->setPaintDevice(&writer);
    document.setDefaultFont(QFont(typeface(), 10));
    QString ours = style;
    document.setDefaultStyleSheet(ours.replace(u"sans-serif"_s, typeface()));
    document.setHtml(body(sheet));
    document.setDocumentMargin(0);
    document.setPageSize(writer.pageLayout().paintRectPixels(writer.resolution()).size());
    document.print(&writer);
    return bytes;
}

QString plainText(const core::Sheet& sheet) {
    QString out = said(sheet.title) + u'\n';
    if (!sheet.under.empty()) out += said(sheet.under) + u'\n';
    for (const core::SheetSection& section : sheet.sections) {
        out += u'\n' + said(section.heading) + u'\n';
        for (const core::Text& line : section.lines)
            out += (section.ticked ? u"  [ ] "_s : u"  "_s) + said(line) + u'\n';
        if (!section.table.heads.empty()) out += plainTable(section.table);
    }
    return out;
}

}  // namespace glimmet::sheets
