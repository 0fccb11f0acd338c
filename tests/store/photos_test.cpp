// Photos in the workshop file and in bundles: kept once, given back as they were, or refused.
#include "store/bundle.h"
#include "store/catalogue.h"
#include "store/workshop.h"
#include "support/older_workshop.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <gtest/gtest.h>

#include <random>
#include <set>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::text;
using tests::jotted;
using tests::opened;
using tests::Scratch;
using tests::shunter;

/// Bytes that begin like a JPEG and cross many pages of the file.
std::string picture(unsigned seed, std::size_t size = 30000) {
    std::string bytes = "\xff\xd8\xff\xe0";
    std::mt19937 random(seed);
    while (bytes.size() < size) bytes += static_cast<char>(random());
    return bytes;
}
core::Job showing(const std::vector<std::string>& sums) {
    core::Job job = shunter();
    for (const std::string& sum : sums) job = jotted(job, {("photo sum " + sum).c_str()});
    return job;
}

TEST(Photos, ComeBackAsTheyWereAfterReopening) {
    const Scratch scratch;
    const QString path = scratch.file("w.glimmet");
    const std::string one = picture(1), two = "\x89PNG\r\n\x1a\n" + picture(2, 900000);
    {
        const auto workshop = opened(path);
        EXPECT_EQ(*workshop->keepPhoto(one), photoSum(one));
        EXPECT_EQ(*workshop->keepPhoto(two), photoSum(two));
    }
    const auto workshop = *Workshop::open(path, Access::ReadOnly);
    EXPECT_EQ(*workshop->photo(photoSum(one)), one);
    EXPECT_EQ(*workshop->photo(photoSum(two)), two);
    EXPECT_EQ(workshop->photo(std::string(64, '0')).error().code, ErrorCode::Unknown);
    EXPECT_EQ(workshop->keepPhoto(one).error().code, ErrorCode::InUse);
}
TEST(Photos, AreKeptOnceAndGoByTheirKnownSum) {
    const Scratch scratch;
    const QString path = scratch.file("w.glimmet");
    const std::string large = picture(3, 4U << 20);
    {
        const auto workshop = opened(path);
        for (int i = 0; i < 5; ++i) ASSERT_TRUE(workshop->keepPhoto(large).has_value());
    }
    EXPECT_LT(QFileInfo(path).size(), 9 << 20);
    // "abc": FIPS 180-2, appendix B.1.
    EXPECT_EQ(photoSum("abc"), "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
}
TEST(Photos, OtherThingsAndHugeOnesAreRefused) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("w.glimmet"));
    EXPECT_EQ(workshop->keepPhoto("GIF89a").error().code, ErrorCode::NotUnderstood);
    EXPECT_EQ(workshop->keepPhoto("").error().code, ErrorCode::NotUnderstood);
    std::string most = picture(4, 100);
    most.resize(largestPhoto);
    EXPECT_TRUE(workshop->keepPhoto(most).has_value());
    most += ' ';
    EXPECT_EQ(workshop->keepPhoto(most).error().code, ErrorCode::TooMuch);
    EXPECT_EQ(photoKind("\x89PNG\r\n\x1a\n..."), "image/png");
    EXPECT_EQ(photoKind("\xff\xd8\xff"), "image/jpeg");
    EXPECT_EQ(photoKind("\xff\xd8"), "");
}
TEST(Photos, AreSalvagedWhereTheirPagesStand) {
    const Scratch scratch;
    const QString path = scratch.file("w.glimmet");
    std::vector<std::string> all;
    {
        const auto workshop = opened(path);
        ASSERT_TRUE(workshop->add(shunter(), text("New job")).has_value());
        for (unsigned i = 0; i < 6; ++i) {
            all.push_back(picture(i));
            ASSERT_TRUE(workshop->keepPhoto(all.back()).has_value());
        }
    }
    QByteArray bytes = Scratch::contents(path);
    bytes.replace(0, 40, QByteArray(40, 'x'));  // no header
    const auto place = bytes.indexOf(QByteArray::fromStdString(all[2].substr(9000, 60)));
    ASSERT_GT(place, 0);
    bytes[place] = static_cast<char>(bytes[place] + 1);
    Scratch::write(path, bytes);
    const auto rescued = salvage(path);
    ASSERT_TRUE(rescued.has_value());
    const auto workshop = *Workshop::open(rescued->path, Access::ReadOnly);
    for (std::size_t i = 0; i < all.size(); ++i) {
        const auto photo = workshop->photo(photoSum(all[i]));
        if (i == 2) {
            EXPECT_EQ(photo.error().code, ErrorCode::Unknown);  // not what was kept
        } else {
            ASSERT_TRUE(photo.has_value()) << i;
            EXPECT_EQ(*photo, all[i]);
        }
    }
}

TEST(Photos, OfTheDemoAreThoseThatItsJobsShow) {
    std::set<std::string> shown, shipped;
    for (const core::Job& job : demoJobs()) {
        for (const core::Photo& photo : job.intake.photos) shown.insert(photo.sum);
    }
    for (const std::string& photo : demoPhotos()) {
        EXPECT_FALSE(photoKind(photo).empty());
        shipped.insert(photoSum(photo));
    }
    EXPECT_EQ(shown, shipped);
    EXPECT_EQ(shown.size(), 2U);
}

TEST(Bundle, GivesBackJobAndPhotos) {
    const Scratch scratch;
    const auto workshop = opened(scratch.file("w.glimmet"));
    const std::string one = picture(1), two = picture(2);
    const core::Job job = showing({*workshop->keepPhoto(one), *workshop->keepPhoto(two)});
    ASSERT_TRUE(workshop->keepPhoto(picture(9)).has_value());  // of no concern to this job
    const auto bytes = bundleToBytes(bundled(*workshop, job));
    ASSERT_TRUE(bytes.has_value());
    const auto back = bundleFromBytes(*bytes);
    ASSERT_TRUE(back.has_value());
    EXPECT_EQ(back->job, job);
    EXPECT_EQ(back->photos.size(), 2U);
    EXPECT_EQ(back->photos.at(photoSum(two)), two);

    const auto other = opened(scratch.file("v.glimmet"));
    ASSERT_TRUE(keepPhotos(*other, *back).has_value());
    EXPECT_EQ(*other->photo(photoSum(one)), one);
}
TEST(Bundle, TakesJsonAloneAndAJobWhosePhotosAreGone) {
    const core::Job job = showing({std::string(64, 'a')});
    EXPECT_EQ(bundleFromBytes(jobToJson(job))->job, job);
    const Scratch scratch;
    const auto workshop = opened(scratch.file("w.glimmet"));
    const Bundle bundle = bundled(*workshop, job);
    EXPECT_TRUE(bundle.photos.empty());
    EXPECT_EQ(bundleFromBytes(*bundleToBytes(bundle))->job, job);
}
TEST(Bundle, IsTakenWholeOrNotAtAll) {
    const std::string one = picture(1);
    const core::Job job = showing({photoSum(one)});
    const std::string whole = *bundleToBytes({job, {{photoSum(one), one}}});
    // Cut anywhere, changed anywhere: refused with a sentence, or the job as it was.
    std::size_t refused = 0;
    for (std::size_t cut = 2; cut < whole.size(); cut += 997) {
        const auto part = bundleFromBytes(whole.substr(0, cut));
        if (!part) {
            ++refused;
            EXPECT_FALSE(core::plain(part.error().what).empty());
        } else {
            EXPECT_EQ(part->job, job);
        }
    }
    EXPECT_GT(refused, 10U);
    std::string changed = whole;
    changed[whole.find(one.substr(20000, 50))] ^= 1;
    EXPECT_EQ(bundleFromBytes(changed).error().code, ErrorCode::NotUnderstood);
    // A photo under another's name.
    const std::string lie = *bundleToBytes({job, {{photoSum(one), picture(2)}}});
    EXPECT_EQ(bundleFromBytes(lie).error().code, ErrorCode::NotUnderstood);
    // Photos that the job does not show stay outside.
    EXPECT_TRUE(
        bundleFromBytes(*bundleToBytes({shunter(), {{photoSum(one), one}}}))->photos.empty());
    EXPECT_EQ(bundleFromBytes("PK\x05\x06" + std::string(18, '\0')).error().code,
              ErrorCode::NotUnderstood);
}

}  // namespace
}  // namespace glimmet::store
