#include "app/frame/photos.h"

#include "app/theme/words.h"

#include <QBuffer>
#include <QFileInfo>
#include <QImageReader>
#include <QtConcurrent>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

// Of those shown large, 16 MB each, only the last few stay in memory. A thumbnail always does: one
// that went while it is shown would be asked for again, and push out the next.
constexpr std::ptrdiff_t mostLarge = 3;

QImage within(const QImage& image, int side) {
    if (image.width() <= side && image.height() <= side) return image;
    return image.scaled(side, side, Qt::KeepAspectRatio, Qt::SmoothTransformation);
}

/// What is kept of a picture file; or why it is not taken.
core::Result<QByteArray> prepared(const QString& path) {
    const std::string name = QFileInfo(path).fileName().toStdString();
    QImageReader reader(path);
    reader.setAutoTransform(true);
    reader.setDecideFormatFromContent(true);
    // No picture takes the machine's memory. JPEG is read at a fraction of its size, others whole.
    const QSize size = reader.size();
    const qint64 most = reader.format() == "jpeg" ? 200'000'000 : 60'000'000;
    if (size.isValid() && qint64(size.width()) * size.height() > most) {
        return core::failure(
            core::ErrorCode::TooMuch, name,
            core::text("%1 is too large for a photo: %2 by %3.", name, std::to_string(size.width()),
                       std::to_string(size.height())));
    }
    if (size.width() > Photos::largestSide || size.height() > Photos::largestSide) {
        reader.setScaledSize(
            size.scaled(Photos::largestSide, Photos::largestSide, Qt::KeepAspectRatio));
    }
    const QImage image = within(reader.read(), Photos::largestSide);
    if (image.isNull()) {
        return core::failure(core::ErrorCode::NotUnderstood, name,
                             core::text("%1 is no picture that can be read.", name));
    }
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    // A drawing stays sharp; a photograph needs no more than this.
    const bool drawing = reader.format() == "png" && QFileInfo(path).size() < (1 << 20);
    QImage bare(image);
    for (const QString& key : bare.textKeys()) bare.setText(key, QString());
    if (!bare.save(&buffer, drawing ? "png" : "jpg", drawing ? -1 : 85)) {
        return core::failure(core::ErrorCode::NotUnderstood, name,
                             core::text("%1 is no picture that can be read.", name));
    }
    return bytes;
}

}  // namespace

Photos::Photos(Bench& bench, QObject* parent) : QObject(parent), m_bench(bench) {}
Photos::~Photos() = default;

bool Photos::isPicture(const QString& path) {
    const QString suffix = QFileInfo(path).suffix().toLower();
    return suffix == u"png"_s || suffix == u"jpg"_s || suffix == u"jpeg"_s;
}

std::optional<QImage> Photos::image(const std::string& sum, int side) {
    const QString path = m_bench.workshop() ? m_bench.workshop()->path() : QString();
    if (path != m_path) {
        m_path = path;
        m_images.clear();
        m_missing.clear();
    }
    const Wanted wanted{sum, side};
    const auto found = std::find_if(m_images.begin(), m_images.end(),
                                    [&](const auto& each) { return each.first == wanted; });
    if (found != m_images.end()) return found->second;
    // Later, with what else is asked for now; and never inside this call: what is ready at once
    // would be told before the asker knows that it has to wait.
    if (!m_missing.contains(sum) && m_wanted.insert(wanted).second) {
        QMetaObject::invokeMethod(this, &Photos::load, Qt::QueuedConnection);
    }
    return {};
}

QString Photos::missing(const std::string& sum) const {
    const auto found = m_missing.find(sum);
    return found == m_missing.end() ? QString() : found->second;
}

void Photos::load() {
    if (m_loading || m_wanted.empty() || m_path.isEmpty()) return;
    m_loading = true;
    const std::vector<Wanted> batch(m_wanted.begin(), m_wanted.end());
    struct Loaded {
        Wanted wanted;
        core::Result<QImage> image;
    };
    QtConcurrent::run([batch, path = m_path] {
        std::vector<Loaded> loaded;
        // With a connection of its own: a workshop belongs to its thread.
        const auto workshop = store::Workshop::open(path, store::Access::ReadOnly);
        for (const Wanted& each : batch) {
            if (!workshop) {
                loaded.push_back({each, tl::unexpected(workshop.error())});
                continue;
            }
            loaded.push_back({each, (*workshop)->photo(each.first).and_then([&](const auto& bytes) {
                                  const QImage image = QImage::fromData(QByteArrayView(
                                      bytes.data(), static_cast<qsizetype>(bytes.size())));
                                  if (!image.isNull())
                                      return core::Result<QImage>(within(image, each.second));
                                  return core::Result<QImage>(core::failure(
                                      core::ErrorCode::Damaged, each.first,
                                      core::text("This photo is damaged in the file.")));
                              })});
        }
        return loaded;
    }).then(this, [this, path = m_path](const std::vector<Loaded>& loaded) {
        m_loading = false;
        for (const Loaded& each : loaded) {
            m_wanted.erase(each.wanted);
            if (path != m_path) continue;
            if (each.image)
                m_images.emplace_back(each.wanted, *each.image);
            else
                m_missing[each.wanted.first] = said(each.image.error());
        }
        const auto large = [](const auto& each) { return each.first.second > thumbnailSide; };
        auto many = std::count_if(m_images.begin(), m_images.end(), large);
        std::erase_if(m_images,
                      [&](const auto& each) { return large(each) && many-- > mostLarge; });
        emit ready();
        load();
    });
}

void Photos::add(const QString& path, const std::string& of) {
    if (!m_bench.hasJob()) return;
    const store::JobId job = m_bench.jobId();
    const QString workshop = m_bench.workshop()->path();
    QtConcurrent::run([path] {
        return prepared(path);
    }).then(this, [this, job, workshop, of](const core::Result<QByteArray>& bytes) {
        if (!bytes) {
            emit failed(said(bytes.error()));
            return;
        }
        // Another model lies on the bench by now: its record is not this photo's.
        if (!m_bench.hasJob() || m_bench.jobId() != job || m_bench.onWorkshop() ||
            m_bench.workshop()->path() != workshop) {
            emit failed(tr("The photo was not taken: another model came to the bench."));
            return;
        }
        const auto sum = m_bench.workshop()->keepPhoto(
            {bytes->constData(), static_cast<std::size_t>(bytes->size())});
        if (!sum) {
            emit failed(said(sum.error()));
            return;
        }
        m_missing.erase(*sum);
        const QString what = of.empty() ? QString() : u"of %1 "_s.arg(qs(of));
        m_bench.take(u"photo %1sum %2"_s.arg(what, qs(*sum)));
    });
}

}  // namespace glimmet::app
