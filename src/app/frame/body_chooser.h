// The shapes to begin a job with, in groups, with a search: what the bench shows when it is empty,
// and when a new job is wanted.
#pragma once

#include "core/record/part.h"

#include <QWidget>

#include <vector>

class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace glimmet::app {

class BodyChooser : public QWidget {
    Q_OBJECT
public:
    BodyChooser(const std::vector<core::BodyDrawing>& bodies, QWidget* parent = nullptr);
    /// One more to choose from, where one sees it first.
    void add(const core::BodyDrawing& drawing);
    /// Whether there is a job to go back to.
    void begin(bool overJob);

signals:
    void bodyChosen(const std::string& id);
    void left();

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void addTile(const core::BodyDrawing& drawing);
    void arrange();
    struct Tile {
        QPushButton* button;
        QString group, words;
    };
    std::vector<Tile> m_tiles;
    std::vector<QLabel*> m_headings;
    QLabel* m_invitation;
    QLineEdit* m_search;
    QLabel* m_none;
    QPushButton* m_back;
    QWidget* m_field;
    QGridLayout* m_grid;
    int m_columns = 0;
};

}  // namespace glimmet::app
