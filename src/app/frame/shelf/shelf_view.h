// The shelf: jobs as silhouettes on a board, the open one pulled forward, each with what to do
// next and a mark where something is wrong; and a field that finds jobs by any word.
#pragma once

#include "app/frame/shelf/shelf_model.h"

#include <QWidget>

class QLabel;
class QLineEdit;
class QListView;
class QPushButton;

namespace glimmet::app {

class ShelfView : public QWidget {
    Q_OBJECT
public:
    explicit ShelfView(QWidget* parent = nullptr);
    [[nodiscard]] ShelfModel* model() { return m_model; }
    void setOpenJob(store::JobId id);
    void showProgress(int done, int of);
    void focusSearch();

signals:
    void jobChosen(glimmet::store::JobId id);
    void searched(const QString& words);
    void scanCancelled();
    void putBefore(glimmet::store::JobId id, std::optional<glimmet::store::JobId> before);

private:
    void step(int by);
    ShelfModel* m_model;
    QListView* m_list;
    QLineEdit* m_search;
    QLabel* m_count;
    QPushButton* m_stop;
    store::JobId m_open = 0;
};

}  // namespace glimmet::app
