#include "app/frame/body_chooser.h"

#include "app/frame/shelf/silhouette.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QCoreApplication>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int tileWidth = 152;
constexpr int tileHeight = 92;

/// A body to put on the shelf, as its silhouette.
class BodyButton : public QPushButton {
public:
    BodyButton(const core::BodyDrawing& drawing, QWidget* parent)
        : QPushButton(parent), m_drawing(drawing) {
        setObjectName(u"new-"_s + qs(drawing.id));
        setAccessibleName(BodyChooser::tr("New job: %1").arg(bodyTitle(drawing)));
        setFixedSize(tileWidth, tileHeight);
    }

protected:
    void paintEvent(QPaintEvent* event) override {
        QPushButton::paintEvent(event);
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        painter.fillPath(silhouette({&m_drawing.body}, QRectF(rect()).adjusted(10, 8, -10, -28)),
                         theme().ink);
        painter.setPen(theme().ink);
        painter.setFont(wordsFont(13));
        painter.drawText(rect().adjusted(4, 0, -4, -6), Qt::AlignBottom | Qt::AlignHCenter,
                         bodyTitle(m_drawing));
    }

private:
    core::BodyDrawing m_drawing;
};

}  // namespace

BodyChooser::BodyChooser(const std::vector<core::BodyDrawing>& bodies, QWidget* parent)
    : QWidget(parent),
      m_invitation(new QLabel(this)),
      m_search(new QLineEdit(this)),
      m_none(new QLabel(tr("No shape goes by that. The nearest will do: its length and where its "
                           "lamps sit can be changed."),
                        this)),
      m_back(new QPushButton(tr("Back to the model"), this)) {
    m_invitation->setWordWrap(true);
    m_invitation->setObjectName(u"invitation"_s);
    m_search->setObjectName(u"bodySearch"_s);
    m_search->setPlaceholderText(tr("Find a shape"));
    m_search->setAccessibleName(tr("Find a shape"));
    m_search->setClearButtonEnabled(true);
    m_search->setFixedWidth(220);
    m_none->setWordWrap(true);
    m_none->hide();
    m_back->setObjectName(u"bodyBack"_s);

    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    m_field = new QWidget(scroll);
    m_grid = new QGridLayout(m_field);
    m_grid->setContentsMargins(0, 0, 8, 8);
    m_grid->setSpacing(8);
    scroll->setWidget(m_field);
    for (const core::BodyDrawing& drawing : bodies) addTile(drawing);

    auto* top = new QHBoxLayout;
    top->addWidget(m_invitation, 1);
    top->addWidget(m_back, 0, Qt::AlignTop);
    top->addWidget(m_search, 0, Qt::AlignTop);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(20, 12, 12, 4);
    column->addLayout(top);
    column->addWidget(m_none);
    column->addWidget(scroll, 1);
    connect(m_search, &QLineEdit::textChanged, this, &BodyChooser::arrange);
    connect(m_search, &QLineEdit::returnPressed, this, [this] {
        for (const Tile& tile : m_tiles) {
            if (!tile.button->isHidden()) {
                tile.button->click();
                return;
            }
        }
    });
    connect(m_back, &QPushButton::clicked, this, &BodyChooser::left);
    begin(false);
}

void BodyChooser::add(const core::BodyDrawing& drawing) {
    addTile(drawing);
    const QString group = m_tiles.back().group;
    const auto heading = std::find_if(m_headings.begin(), m_headings.end(),
                                      [&](const QLabel* each) { return each->text() == group; });
    std::rotate(m_headings.begin(), heading, heading + 1);
}

void BodyChooser::addTile(const core::BodyDrawing& drawing) {
    auto* button = new BodyButton(drawing, m_field);
    connect(button, &QPushButton::clicked, this, [this, id = drawing.id] { emit bodyChosen(id); });
    const QString group = QCoreApplication::translate("bodies", drawing.group.c_str());
    m_tiles.push_back(
        {button, group, (bodyTitle(drawing) + u' ' + group + u' ' + qs(drawing.id)).toLower()});
    const bool known = std::any_of(m_headings.begin(), m_headings.end(),
                                   [&](const QLabel* each) { return each->text() == group; });
    if (known) return;
    auto* heading = new QLabel(group, m_field);
    heading->setFont(wordsFont(14, true));
    m_headings.push_back(heading);
}

void BodyChooser::begin(bool overJob) {
    m_back->setVisible(overJob);
    m_invitation->setText(
        overJob ? tr("Which shape comes nearest to the model in your hand?")
                : tr("Nothing on the bench yet. Which shape comes nearest to the model in your "
                     "hand? Then measure it: running current first, because a decoder never "
                     "cures a bad runner."));
    m_search->clear();
    arrange();
    if (overJob) m_search->setFocus();
}

void BodyChooser::arrange() {
    const QString wanted = m_search->text().trimmed().toLower();
    m_columns = std::max(1, (width() - 60) / (tileWidth + 8));
    while (QLayoutItem* item = m_grid->takeAt(0)) delete item;
    int row = 0;
    int shown = 0;
    for (QLabel* heading : m_headings) {
        int place = 0;
        for (const Tile& tile : m_tiles) {
            if (tile.group != heading->text()) continue;
            const bool fits = tile.words.contains(wanted);
            tile.button->setVisible(fits);
            if (!fits) continue;
            m_grid->addWidget(tile.button, row + 1 + place / m_columns, place % m_columns);
            ++place;
            ++shown;
        }
        heading->setVisible(place > 0);
        if (place == 0) continue;
        m_grid->addWidget(heading, row, 0, 1, m_columns);
        row += 1 + (place + m_columns - 1) / m_columns;
    }
    for (int i = 0; i < m_grid->rowCount(); ++i) m_grid->setRowStretch(i, 0);
    for (int i = 0; i < m_grid->columnCount(); ++i) m_grid->setColumnStretch(i, 0);
    m_grid->setRowStretch(row, 1);
    m_grid->setColumnStretch(m_columns, 1);
    m_none->setVisible(shown == 0);
}

void BodyChooser::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape && m_back->isVisible())
        emit left();
    else
        QWidget::keyPressEvent(event);
}

void BodyChooser::resizeEvent(QResizeEvent*) {
    if (std::max(1, (width() - 60) / (tileWidth + 8)) != m_columns) arrange();
}

}  // namespace glimmet::app
