#include "app/frame/about.h"

#include <QApplication>
#include <QDialog>
#include <QPushButton>
#include <QTextBrowser>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {
QString words(const char* english) { return QCoreApplication::translate("about", english); }
}  // namespace

void showAbout(QWidget* parent) {
    auto* dialog = new QDialog(parent);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(words("About Glimmet"));
    dialog->resize(640, 460);
    auto* text = new QTextBrowser(dialog);
    text->setObjectName(u"aboutText"_s);
    text->setHtml(
        words("<h2>Glimmet %1</h2>"
              "<p>For people who fit decoders, stay-alive capacitors and lamps into model "
              "locomotives, rolling stock and buildings.</p>"
              "<p>Free software under the GNU General Public License, version 3 or later; no "
              "warranty. It plans the extra-low-voltage side only; mains belongs to a licensed "
              "person under the local code.</p>"
              "<p>Built with Qt %2 (LGPL 3), QCustomPlot (GPL 3 or later), units (MIT), "
              "nlohmann json (MIT), expected (CC0), CLI11 (BSD), SQLite (public domain). "
              "Typefaces: B612 and B612 Mono (SIL Open Font Licence 1.1), Routed Gothic (SIL "
              "Open Font Licence).</p>")
            .arg(QApplication::applicationVersion(), QString::fromLatin1(qVersion())));
    auto* column = new QVBoxLayout(dialog);
    column->addWidget(text);
    auto* close = new QPushButton(words("Close"), dialog);
    QObject::connect(close, &QPushButton::clicked, dialog, &QDialog::accept);
    column->addWidget(close, 0, Qt::AlignRight);
    dialog->show();  // not modal: the bench stays usable
}

}  // namespace glimmet::app
