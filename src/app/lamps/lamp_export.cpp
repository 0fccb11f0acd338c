#include "app/lamps/lamp_export.h"

#include "app/lamps/schematic.h"
#include "app/picture/scene.h"
#include "app/theme/words.h"
#include "core/analysis/lamps/lamp_list.h"
#include "core/analysis/lamps/lamp_netlist.h"
#include "core/circuit/spice.h"

#include <QBuffer>
#include <QFileInfo>
#include <QImage>
#include <QPainter>
#include <QPdfWriter>
#include <QSaveFile>
#include <QSvgGenerator>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QByteArray drawn(Schematic& schematic, const QString& ending) {
    const QSize size = schematic.minimumSizeHint().expandedTo(QSize(320, 260));
    const QSize before = schematic.size();
    schematic.resize(size);
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    if (ending == u"svg"_s) {
        QSvgGenerator svg;
        svg.setOutputDevice(&buffer);
        svg.setSize(size);
        svg.setViewBox(QRect(QPoint(), size));
        svg.setTitle(schematic.accessibleName());
        QPainter painter(&svg);
        schematic.paint(painter);
    } else if (ending == u"pdf"_s) {
        QPdfWriter pdf(&buffer);
        pdf.setTitle(schematic.accessibleName());
        pdf.setResolution(96);
        pdf.setPageSize(QPageSize(QSizeF(size) * 0.75, QPageSize::Point));
        pdf.setPageMargins(QMarginsF());
        QPainter painter(&pdf);
        schematic.paint(painter);
    } else {
        QImage image(size * 2, QImage::Format_ARGB32);
        image.setDevicePixelRatio(2);
        QPainter painter(&image);
        schematic.paint(painter);
        painter.end();
        image.save(&buffer, "PNG");
    }
    schematic.resize(before);
    return bytes;
}

}  // namespace

QString exportLamps(Schematic& schematic, const core::Job& job, const core::WorkshopRules& house,
                    const std::string& group, const QString& path) {
    const QString ending = QFileInfo(path).suffix().toLower();
    QByteArray bytes;
    if (ending == u"csv"_s) {
        const core::Catalogue none;
        bytes = QByteArray::fromStdString(core::lamps::lampList(core::analysed(job, house, none)));
    } else if (ending == u"cir"_s) {
        const auto one = std::find_if(job.groups.begin(), job.groups.end(),
                                      [&](const auto& each) { return each.id == group; });
        if (one == job.groups.end()) return tr("There is no lamp yet.");
        const auto netlist = core::lamps::lampNetlist(job, *one, house);
        if (!netlist) return said(netlist.error());
        bytes = QByteArray::fromStdString(core::circuit::writtenNetlist(*netlist));
    } else if (ending == u"svg"_s || ending == u"pdf"_s || ending == u"png"_s) {
        bytes = drawn(schematic, ending);
    } else {
        return tr("%1 says no kind that is written: .svg, .pdf, .png, .cir or .csv.")
            .arg(QFileInfo(path).fileName());
    }
    QSaveFile file(path);
    if (!file.open(QIODevice::WriteOnly) || file.write(bytes) != bytes.size() || !file.commit()) {
        return tr("%1 could not be written: %2.").arg(path, file.errorString());
    }
    return {};
}

}  // namespace glimmet::app
