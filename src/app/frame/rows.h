// A column of rows that are kept and filled anew: making widgets costs far more than showing other
// words in those there are, and a row that stays keeps the keyboard's focus.
#pragma once

#include <QVBoxLayout>
#include <QWidget>

#include <vector>

namespace glimmet::app {

template <class Row>
class Rows {
public:
    /// `make` makes one more row, parented to the column's widget.
    template <class Items, class Make, class Show>
    void fill(QVBoxLayout* column, const Items& items, Make make, Show show) {
        std::size_t count = 0;
        for (const auto& item : items) {
            if (count == m_rows.size()) {
                m_rows.push_back(make());
                column->addWidget(m_rows.back());
            }
            Row* row = m_rows[count++];
            show(*row, item);
            row->setVisible(true);
        }
        for (std::size_t i = count; i < m_rows.size(); ++i) {
            m_rows[i]->setVisible(false);
            m_rows[i]->setObjectName(QString());
        }
    }

private:
    std::vector<Row*> m_rows;  ///< owned by the column's widget
};

}  // namespace glimmet::app
