#include "app/shelf/shelf_model.h"

#include "app/words.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {

ShelfModel::ShelfModel(QObject* parent) : QAbstractListModel(parent) {}

int ShelfModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(m_shown.size());
}

QVariant ShelfModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid()) return {};
    const store::JobEntry& entry = m_all[m_shown[static_cast<std::size_t>(index.row())]];
    const auto standing = m_standings.find(entry.id);
    const bool known = standing != m_standings.end();
    switch (role) {
        case Qt::DisplayRole:
            return qs(entry.name);
        case IdRole:
            return QVariant::fromValue(entry.id);
        case KindRole:
            return static_cast<int>(entry.kind);
        case RatioRole:
            return entry.ratio;
        case KnownRole:
            return known;
        case StateRole:
            return known ? static_cast<int>(standing->second.state) : 0;
        case NextRole:
            return known ? said(standing->second.next) : QString();
        case Qt::AccessibleTextRole:
        case Qt::ToolTipRole:
            return known ? tr("%1, %2. %3: %4")
                               .arg(qs(entry.name), bodyName(entry.kind),
                                    stateWord(standing->second.state), said(standing->second.next))
                         : tr("%1, %2").arg(qs(entry.name), bodyName(entry.kind));
        default:
            return {};
    }
}

int ShelfModel::rowOf(store::JobId id) const {
    for (std::size_t row = 0; row < m_shown.size(); ++row) {
        if (m_all[m_shown[row]].id == id) return static_cast<int>(row);
    }
    return -1;
}

void ShelfModel::setJobs(std::vector<store::JobEntry> jobs) {
    beginResetModel();
    m_all = std::move(jobs);
    applyFilter();
    endResetModel();
}

void ShelfModel::setFilter(std::optional<std::unordered_set<store::JobId>> shown) {
    beginResetModel();
    m_filter = std::move(shown);
    applyFilter();
    endResetModel();
}

void ShelfModel::applyFilter() {
    m_shown.clear();
    for (std::size_t i = 0; i < m_all.size(); ++i) {
        if (!m_filter || m_filter->contains(m_all[i].id)) m_shown.push_back(i);
    }
}

void ShelfModel::setStandings(const std::vector<ShelfStanding>& standings) {
    for (const ShelfStanding& standing : standings) m_standings[standing.job] = standing;
    if (!m_shown.empty()) emit dataChanged(index(0), index(rowCount() - 1));
}

void ShelfModel::rename(store::JobId id, const std::string& name, core::BodyKind kind,
                        double ratio) {
    for (store::JobEntry& entry : m_all) {
        if (entry.id == id) entry = {id, name, kind, ratio};
    }
    if (const int row = rowOf(id); row >= 0) emit dataChanged(index(row), index(row));
}

}  // namespace glimmet::app
