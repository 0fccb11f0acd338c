// Photos of the open workshop: taken in from picture files, handed out as thumbnails. Pictures are
// read, made smaller and decoded on a pool thread; the interface never waits for one.
#pragma once

#include "app/frame/bench.h"

#include <QImage>
#include <QObject>

#include <map>
#include <optional>
#include <set>
#include <string>
#include <vector>

namespace glimmet::app {

class Photos : public QObject {
    Q_OBJECT
public:
    explicit Photos(Bench& bench, QObject* parent = nullptr);
    ~Photos() override;

    static constexpr int thumbnailSide = 200, largestSide = 2048;  ///< pixels
    [[nodiscard]] static bool isPicture(const QString& path);

    /// The photo with no side longer than `side`, or nothing yet: then ready() follows.
    [[nodiscard]] std::optional<QImage> image(const std::string& sum, int side = thumbnailSide);
    /// Why a photo cannot be shown; empty: it can, or is on its way.
    [[nodiscard]] QString missing(const std::string& sum) const;
    /// Takes a picture file into the workshop, turned upright, no side above `largestSide`, without
    /// what the camera wrote about place and owner, and records what it is of (as core::Photo).
    void add(const QString& path, const std::string& of);

signals:
    void ready();
    void failed(const QString& sentence);

private:
    void load();
    using Wanted = std::pair<std::string, int>;  ///< sum, side
    Bench& m_bench;
    QString m_path;                                   ///< of the workshop the images are from
    std::vector<std::pair<Wanted, QImage>> m_images;  ///< the newest last; few of the large ones
    std::set<Wanted> m_wanted;
    std::map<std::string, QString> m_missing;
    bool m_loading = false;
};

}  // namespace glimmet::app
