#include "app/picture/kept_layer.h"
#include "app/picture/picture_view.h"
#include "app/stage_view.h"
#include "app/theme/theme.h"
#include "core/work/jot.h"
#include "open_window.h"
#include "support/sample_jobs.h"

#include <QAbstractButton>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QRegularExpression>
#include <QSignalSpy>
#include <QTest>

#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using tests::jotted;
using tests::OpenWindow;
using tests::shunter;
const OverlayPainter motorLens = stageView("measure").overlay;
const OverlayPainter lampsLens = stageView("lamps").overlay;
const OverlayPainter roomLens = stageView("decoder").overlay;

const Target* targetWith(const PictureView& view, const QString& words) {
    for (const Target& target : view.targets()) {
        if (target.tip.contains(words)) return &target;
    }
    return nullptr;
}

struct InTheDark : ::testing::Test {
    core::Job job = jotted(
        shunter(), {"lamp front white on front", "resistor front 2k2", "lamp rear red on rear",
                    "resistor rear 2k7", "lamp cab amber on 1", "resistor cab 4k7"});
    PictureView view;
    InTheDark() {
        view.resize(800, 400);
        view.show(tests::factsOf(job), lampsLens, {});
        view.setVisible(true);
        view.setDark(true);
    }
    [[nodiscard]] std::string lit() const {
        std::string names;
        for (const core::LitLamp& lamp : view.lamps()) {
            if (lamp.brightness > 0) names += lamp.name + " ";
        }
        return names;
    }
    void press(const char* key) {
        QTest::mouseClick(view.findChild<QAbstractButton*>(QLatin1String(key)), Qt::LeftButton);
    }
    [[nodiscard]] QWidget* volts() { return view.findChild<QWidget*>(u"trackVolts"_s); }
};
TEST_F(InTheDark, KeysAndDirectionSwitchLamps) {
    EXPECT_EQ(lit(), "front lamp rear lamp cab lamp ");
    press("everyOutput");
    EXPECT_EQ(lit(), "front lamp ");
    press("reverse");
    EXPECT_EQ(lit(), "rear lamp ");
    press("key1");
    EXPECT_EQ(lit(), "rear lamp cab lamp ");
    press("key0");
    EXPECT_EQ(lit(), "cab lamp ");
    // By daylight each stands there with what it takes.
    view.setDark(false);
    EXPECT_EQ(lit(), "front lamp rear lamp cab lamp ");
    EXPECT_FALSE(volts()->isVisible());
    view.setDark(true);
    EXPECT_EQ(lit(), "cab lamp ");
}
TEST_F(InTheDark, ALighterRoomShowsTheModelAndTakesFromTheLamps) {
    const auto ground = [&] {  // beside the model, where no lamp shines
        return qGray(view.grab().toImage().pixel(view.width() / 2, 6));
    };
    const auto strongest = [&] {
        double most = 0;
        for (const core::LitLamp& lamp : view.lamps()) most = std::max(most, lamp.brightness);
        return most;
    };
    const int darkGround = ground();
    const double dark = strongest();
    press("room");
    const int dimGround = ground();
    EXPECT_GT(dimGround, darkGround);
    EXPECT_LT(strongest(), dark);
    const double dim = strongest();
    press("room");
    EXPECT_GT(ground(), dimGround);
    EXPECT_LT(strongest(), dim);
    press("room");
    EXPECT_EQ(ground(), darkGround);
    EXPECT_EQ(strongest(), dark);
}
TEST_F(InTheDark, VoltsAreTurnedByMouseAndKey) {
    EXPECT_EQ(volts()->accessibleName(), u"Volts: 14.5 V"_s);
    const double before = view.lamps()[0].current.value();
    QTest::keyClick(volts(), Qt::Key_PageDown);
    EXPECT_EQ(volts()->accessibleName(), u"Volts: 13.5 V"_s);
    EXPECT_LT(view.lamps()[0].current.value(), before);
    QTest::keyClick(volts(), Qt::Key_Home);
    EXPECT_EQ(lit(), "");
    QTest::keyClick(volts(), Qt::Key_Right);
    EXPECT_EQ(volts()->accessibleName(), u"Volts: 100 mV"_s);
    QTest::mouseClick(volts(), Qt::LeftButton, {}, QPoint(volts()->width() - 80, 36));
    EXPECT_EQ(lit(), "front lamp rear lamp cab lamp ");
    EXPECT_GT(view.lamps()[0].current.value(), before);  // above what the job has
    QTest::keyClick(volts(), Qt::Key_End);
    EXPECT_NEAR(view.lamps()[0].current.value(), before, 1e-12);
}
TEST_F(InTheDark, LampsThatTheDecoderLetsComeSoftlyAreOnTheirWay) {
    const core::Job soft = jotted(job, {"soft front 10s"});
    view.show(tests::factsOf(soft), lampsLens, {});
    const double front = view.lamps()[0].brightness;
    press("reverse");
    const double full = view.lamps()[1].brightness;  // the rear lamp is there at once
    EXPECT_GT(full, 0.2);
    // The front lamp was lit, and still is for most of its light.
    EXPECT_GT(view.lamps()[0].brightness, 0.9 * front);
    view.show(tests::factsOf(soft), lampsLens, {});  // an edit shows how it ends
    EXPECT_EQ(view.lamps()[0].brightness, 0);
    press("reverse");
    EXPECT_LT(view.lamps()[0].brightness, 0.5 * front);
}
TEST_F(InTheDark, AnEditKeepsHowItIsDrivenAndAnotherModelBeginsAnew) {
    press("reverse");
    const core::Job changed = jotted(job, {"resistor rear 1k"});
    view.show(tests::factsOf(changed), lampsLens, {});
    EXPECT_EQ(lit(), "rear lamp ");
    core::Job other = job;
    other.name = "Other";
    view.show(tests::factsOf(other), lampsLens, {});
    EXPECT_EQ(lit(), "front lamp rear lamp cab lamp ");
}

TEST(PictureView, IsToScaleInBothDirections) {
    PictureView view;
    view.resize(800, 400);
    const core::Job job = shunter();
    view.show(tests::factsOf(job), motorLens, {});
    (void)view.grab();
    ASSERT_GT(view.view().scale, 0);
    const core::Axle& first = job.units.at(0).body.axles[0];
    const Target* axle = targetWith(view, u"Axle 1"_s);
    ASSERT_NE(axle, nullptr);
    EXPECT_NEAR(axle->where.width(), first.diameter.value() * view.view().scale, 1e-6);
    EXPECT_NEAR(axle->where.height(), axle->where.width(), 1e-6);
    const Target* decoder = targetWith(view, u"decoder middle"_s);
    ASSERT_NE(decoder, nullptr);
    EXPECT_NEAR(decoder->where.width() / decoder->where.height(), 20.0 / 5.0, 1e-6);
}
// Layers that are kept must never be seen where they would come out otherwise.
TEST(PictureView, LooksAfterEveryChangeAsIfItWerePaintedForTheFirstTime) {
    const auto jobs = [] {
        std::vector<core::Job> made{shunter()};
        for (const char* line :
             {"lamp front white on front", "resistor front 2k2", "resistor front 3k3",
              "place front 3mm 20mm", "lamp cab amber on 1", "weight hood 10x8x8mm",
              "stall 1.4A 12V", "length 120mm", "scale 1:160", "name Other"}) {
            if (const auto next =
                    core::applyLine(line, made.back(), tests::smallCatalogue(), "2026-01-01")) {
                made.push_back(next->after);
            } else {
                ADD_FAILURE() << line << ": " << core::plain(next.error().what);
            }
        }
        return made;
    }();
    struct Step {
        std::size_t job;
        OverlayPainter overlay;
        bool dark = false, night = false;
        QSize size{800, 400};
    };
    std::vector<Step> steps;
    for (std::size_t i = 0; i < jobs.size(); ++i)
        steps.push_back({i, i % 2 ? lampsLens : motorLens});
    steps.push_back({5, lampsLens, true});
    steps.push_back({5, lampsLens, false, true});
    steps.push_back({5, motorLens, true, true});
    steps.push_back({5, motorLens, false, false, {640, 300}});
    steps.push_back({0, motorLens});
    PictureView view;
    std::size_t differ = 0;
    QImage before;
    for (const Step& step : steps) {
        useTheme(step.night);
        const auto shown = [&](PictureView& onto) {
            onto.resize(step.size);
            onto.show(tests::factsOf(jobs[step.job]), step.overlay, {});
            onto.setDark(step.dark);
            return onto.grab().toImage();
        };
        PictureView fresh;
        const QImage now = shown(view);
        EXPECT_EQ(now, shown(fresh)) << &step - steps.data();
        EXPECT_EQ(view.targets().size(), fresh.targets().size()) << &step - steps.data();
        differ += now != before;
        before = now;
    }
    useTheme(false);
    EXPECT_GE(differ, steps.size() - 2);  // or nothing would have been compared
}
TEST(KeptLayer, IsFilledAnewOnlyWhereItComesOutOtherwise) {
    KeptLayer layer(Qt::white);
    QImage page(60, 40, QImage::Format_RGB32);
    const auto fills = [&](const std::function<void(QPainter&)>& draw) {
        const int before = layer.fills();
        page.fill(Qt::white);
        QPainter painter(&page);
        layer.paint(painter, draw);
        return layer.fills() - before;
    };
    QPainterPath path(QPointF(2, 2));
    path.cubicTo(10, 0, 20, 30, 50, 30);
    const auto line = [&](QPainter& onto) { onto.drawPath(path); };
    EXPECT_EQ(fills(line), 1);
    EXPECT_EQ(fills(line), 0);
    path.lineTo(55, 31);
    EXPECT_EQ(fills(line), 1);
    EXPECT_EQ(fills(line), 0);
    QFont small;
    small.setPixelSize(9);
    QFont large = small;
    large.setPixelSize(15);
    QLinearGradient gradient(0, 0, 60, 0);
    gradient.setColorAt(0, Qt::red);
    QLinearGradient other = gradient;
    other.setColorAt(1, Qt::blue);
    // Two that differ in one thing only, for each thing that can differ.
    using Draw = std::function<void(QPainter&)>;
    const auto with = [](auto set) {
        return [set](QPainter& onto) {
            set(onto);
            onto.drawLine(1, 1, 30, 30);
        };
    };
    const auto text = [](const QFont& font, qreal x, const QString& words) {
        return [=](QPainter& onto) {
            onto.setFont(font);
            onto.drawText(QPointF(x, 20), words);
        };
    };
    const auto bent = [](qreal y) {
        return [y](QPainter& onto) {
            QPainterPath way(QPointF(2, 2));
            way.quadTo(20, y, 50, 30);
            onto.drawPath(way);
        };
    };
    const auto filled = [](const QBrush& brush) {
        return [brush](QPainter& onto) { onto.fillRect(QRectF(5, 5, 10, 10), brush); };
    };
    const auto pen = [&](const QPen& of) { return with([of](QPainter& on) { on.setPen(of); }); };
    QPen round(Qt::red, 6);
    round.setCapStyle(Qt::RoundCap);
    const std::vector<std::pair<Draw, Draw>> pairs{
        {[](QPainter& on) { on.drawLine(1, 1, 30, 30); },
         [](QPainter& on) { on.drawLine(1, 1, 30, 31); }},
        {[](QPainter& on) { on.drawLine(QPointF(1, 1), QPointF(30, 30)); },
         [](QPainter& on) { on.drawLine(QPointF(1, 1), QPointF(34.5, 30)); }},
        {pen(QPen(Qt::red)), pen(QPen(Qt::blue))},
        {pen(QPen(Qt::red, 3)), pen(QPen(Qt::red, 4))},
        {pen(QPen(Qt::red, 3)), pen(QPen(Qt::red, 3, Qt::DashLine))},
        {pen(QPen(Qt::red, 6)), pen(round)},
        {with([](QPainter& on) { on.translate(3, 0); }),
         with([](QPainter& on) { on.translate(4, 0); })},
        {with([](QPainter& on) { on.setRenderHint(QPainter::TextAntialiasing); }),
         with([](QPainter& on) { on.setRenderHint(QPainter::Antialiasing); })},
        {with([](QPainter& on) { on.setOpacity(0.5); }),
         with([](QPainter& on) { on.setOpacity(0.8); })},
        {with([](QPainter& on) { on.setClipRect(0, 0, 10, 10); }),
         with([](QPainter& on) { on.setClipRect(0, 0, 12, 10); })},
        {[](QPainter& on) { on.drawEllipse(QPointF(20, 20), 8, 8); },
         [](QPainter& on) { on.drawEllipse(QPointF(20, 20), 8, 9); }},
        {[](QPainter& on) { on.drawRect(QRectF(5, 5, 10, 10)); },
         [](QPainter& on) { on.drawRect(QRectF(5, 5, 10, 11)); }},
        {filled(Qt::green), filled(Qt::blue)},
        {filled(Qt::green), filled(QBrush(Qt::green, Qt::BDiagPattern))},
        {filled(gradient), filled(other)},
        {[](QPainter& on) {
             on.drawPolygon(QPolygonF{{1, 1}, {9, 1}, {5, 9}});
         },
         [](QPainter& on) {
             on.drawPolyline(QPolygonF{{1, 1}, {9, 1}, {5, 9}});
         }},
        {bent(5), bent(25)},
        {text(small, 4, u"12 V"_s), text(small, 4, u"14 V"_s)},
        {text(small, 4, u"12 V"_s), text(small, 9, u"12 V"_s)},
        {text(small, 4, u"12 V"_s), text(large, 4, u"12 V"_s)},
    };
    std::size_t at = 0;
    for (const auto& [one, another] : pairs) {
        const std::size_t which = at++;
        for (const Draw& draw : {one, another, one}) {
            EXPECT_EQ(fills(draw), 1) << which;
            EXPECT_EQ(fills(draw), 0) << which;
            QImage direct(page.size(), page.format());
            direct.fill(Qt::white);
            QPainter painter(&direct);
            draw(painter);
            painter.end();
            EXPECT_EQ(page, direct) << which;
        }
        fills(line);
    }
}
TEST(PictureView, AWheelOffersWhatIsLikely) {
    PictureView view;
    view.resize(800, 400);
    view.show(tests::factsOf(shunter()), motorLens, {});
    view.QWidget::show();
    (void)view.grab();
    QSignalSpy chosen(&view, &PictureView::jotChosen);
    const Target* axle = targetWith(view, u"Axle 2"_s);
    ASSERT_NE(axle, nullptr);
    QTest::mouseClick(&view, Qt::LeftButton, {}, axle->where.center().toPoint() + QPoint(0, 8));
    auto* menu = view.findChild<QMenu*>(u"likelyLines"_s);
    ASSERT_NE(menu, nullptr);
    ASSERT_EQ(menu->actions().size(), 4);
    EXPECT_EQ(menu->actions()[1]->text(), u"collects left only"_s);
    menu->actions()[1]->trigger();
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.at(0).at(0).toString(), u"axle 2 left"_s);
    menu->close();
}
/// A place on a target where nothing else lies on it.
QPoint gripOf(const PictureView& view, const Target& target) {
    for (int y = qCeil(target.where.top()); y < target.where.bottom(); y += 2) {
        for (int x = qCeil(target.where.left()); x < target.where.right(); x += 2) {
            const Target* top = nullptr;
            for (const Target& each : view.targets()) {
                if (each.where.contains(x, y)) top = &each;
            }
            if (top == &target) return {x, y};
        }
    }
    ADD_FAILURE() << target.tip.toStdString() << " is covered";
    return {};
}
/// The line that a drag of what has these words in its tip says; empty: it cannot be dragged.
QString draggedBy(PictureView& view, const QString& words, const QPointF& millimetres) {
    const Target* target = targetWith(view, words);
    if (!target) return u"nothing there"_s;
    QSignalSpy chosen(&view, &PictureView::jotChosen);
    const QPoint from = gripOf(view, *target);
    const QPointF by(millimetres.x() * view.view().scale, -millimetres.y() * view.view().scale);
    QTest::mousePress(&view, Qt::LeftButton, {}, from);
    QTest::mouseMove(&view, from + QPoint(8, 8));
    QMouseEvent move(QEvent::MouseMove, from + by, view.mapToGlobal(from + by), Qt::NoButton,
                     Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&view, &move);
    view.grab();  // it is painted where it would be
    QTest::mouseRelease(&view, Qt::LeftButton, {}, (from + by).toPoint());
    return chosen.isEmpty() ? QString() : chosen[0][0].toString();
}
TEST(PictureView, AHollowItsEdgesAWeightAndAnAxleAreDraggedToTheTenth) {
    const core::Job job = jotted(shunter(), {"cavity hood 34x14x11 at 20x21",
                                             "axles 20mm 60mm 80mm", "weight hood 6x6x4 at 25x21"});
    PictureView view;
    view.resize(900, 500);
    view.show(tests::factsOf(job), motorLens, {});
    view.setVisible(true);
    view.grab();
    const qreal origin = view.view().origin.x();
    const auto within = [](const QString& line, const QRegularExpression& form, double at,
                           const std::vector<double>& wanted) {
        const auto match = form.match(line);
        EXPECT_TRUE(match.hasMatch()) << line.toStdString();
        for (std::size_t i = 0; i < wanted.size(); ++i)
            EXPECT_NEAR(match.captured(static_cast<int>(i) + 1).toDouble(), wanted[i], at)
                << line.toStdString();
    };
    const QRegularExpression hollow(
        u"^cavity hood ([\\d.]+)x([\\d.]+)x([\\d.]+) at ([\\d.]+)x([\\d.]+)$"_s);
    // A pixel is some 0.15 mm here.
    within(draggedBy(view, u"hood: 34 mm"_s, {5, -3}), hollow, 0.21, {34, 14, 11, 25, 18});
    within(draggedBy(view, u"Rear end of the hood"_s, {6, 5}), hollow, 0.21, {40, 14, 11, 20, 21});
    within(draggedBy(view, u"Front end of the hood"_s, {6, 0}), hollow, 0.21, {28, 14, 11, 26, 21});
    within(draggedBy(view, u"Roof of the hood"_s, {0, 3}), hollow, 0.21, {34, 14, 14, 20, 21});
    within(draggedBy(view, u"Floor of the hood"_s, {0, -3}), hollow, 0.21, {34, 14, 14, 20, 18});
    within(
        draggedBy(view, u"Weight in the hood"_s, {4, 2}),
        QRegularExpression(u"^weight hood ([\\d.]+)x([\\d.]+)x([\\d.]+) at ([\\d.]+)x([\\d.]+)$"_s),
        0.21, {6, 6, 4, 29, 23});
    within(draggedBy(view, u"Axle 2 of this unit"_s, {-5, 4}),
           QRegularExpression(u"^axles ([\\d.]+)mm ([\\d.]+)mm ([\\d.]+)mm$"_s), 0.21,
           {20, 55, 80});
    EXPECT_EQ(view.view().origin.x(), origin) << "the view is moved where nothing is in hand";
    // Every line is one that the job understands.
    const QString line = draggedBy(view, u"hood: 34 mm"_s, {3, 1});
    EXPECT_TRUE(
        core::applyLine(line.toStdString(), job, tests::smallCatalogue(), "2026-01-01").has_value())
        << line.toStdString();
}
TEST(PictureView, WhatCollectsBesideTheWheelsIsDraggedAndEachOfItsLinesIsTaken) {
    core::Job job = jotted(shunter(), {"collector roller 40mm", "collector slider 71mm long 9mm"});
    PictureView view;
    view.resize(900, 500);
    view.show(tests::factsOf(job), motorLens, {});
    view.setVisible(true);
    view.grab();
    const QString line = draggedBy(view, u"A roller"_s, {5, 3});
    const auto match = QRegularExpression(u"^collector roller 40mm to ([\\d.]+)mm$"_s).match(line);
    EXPECT_NEAR(match.captured(1).toDouble(), 45, 0.21) << line.toStdString();
    const auto taken = [&](const QString& one) {
        return jotted(job, {one.toUtf8().constData()}).units[0].collectors;
    };
    EXPECT_EQ(taken(line).size(), 2U);
    const Target* slider = targetWith(view, u"A slider"_s);
    ASSERT_TRUE(slider);
    ASSERT_EQ(slider->likely.size(), 4U);
    EXPECT_EQ(taken(slider->likely[0].jot)[1].pole, core::Pole::Centre);
    EXPECT_EQ(taken(slider->likely[1].jot)[1].pole, core::Pole::Left);
    EXPECT_EQ(taken(slider->likely[2].jot)[1].pole, core::Pole::Right);
    EXPECT_EQ(taken(slider->likely[3].jot).size(), 1U);
    EXPECT_EQ(taken(slider->likely[2].jot)[1].length, core::Millimetres{9});
}
TEST(PictureView, AWireThatMisleadsIsShownThroughEveryLensUntilItHasATag) {
    const auto seen = [](std::initializer_list<const char*> lines, OverlayPainter overlay) {
        PictureView view;
        view.resize(900, 500);
        view.show(tests::factsOf(jotted(shunter(), lines)), overlay, {});
        return view.grab().toImage();
    };
    for (const OverlayPainter overlay : {lampsLens, roomLens}) {
        const QImage without = seen({"track 14V"}, overlay);
        EXPECT_EQ(seen({"track 14V", "wire red right rail"}, overlay), without);
        EXPECT_NE(seen({"track 14V", "wire red left rail"}, overlay), without);
        EXPECT_EQ(seen({"track 14V", "wire red left rail tagged"}, overlay), without);
        EXPECT_EQ(seen({"track 14V", "wire brown left rail"}, overlay), without);
    }
    // Where they are measured all of them stand.
    EXPECT_NE(seen({"track 14V", "wire red right rail"}, motorLens),
              seen({"track 14V"}, motorLens));
}
TEST(PictureView, ADragIsGivenUpByEscapeAndDoneByKeys) {
    const core::Job job = jotted(shunter(), {"cavity hood 34x14x11 at 20x21"});
    PictureView view;
    view.resize(900, 500);
    view.show(tests::factsOf(job), motorLens, {});
    view.setVisible(true);
    view.grab();
    QSignalSpy chosen(&view, &PictureView::jotChosen);
    const QPoint from = gripOf(view, *targetWith(view, u"hood: 34 mm"_s));
    QTest::mousePress(&view, Qt::LeftButton, {}, from);
    QMouseEvent move(QEvent::MouseMove, QPointF(from + QPoint(30, 0)),
                     view.mapToGlobal(QPointF(from + QPoint(30, 0))), Qt::NoButton, Qt::LeftButton,
                     Qt::NoModifier);
    QApplication::sendEvent(&view, &move);
    QTest::keyClick(&view, Qt::Key_Escape);
    QTest::mouseRelease(&view, Qt::LeftButton, {}, from + QPoint(30, 0));
    EXPECT_TRUE(chosen.isEmpty());

    view.activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowActive(&view));
    view.setFocus();
    for (int i = 0; i < 60 && !view.accessibleName().contains(u"hood: 34 mm"_s); ++i)
        QTest::keyClick(&view, Qt::Key_Tab);
    ASSERT_TRUE(view.accessibleName().contains(u"hood: 34 mm"_s));
    QTest::keyClick(&view, Qt::Key_Right, Qt::ControlModifier);
    QTest::keyClick(&view, Qt::Key_Down, Qt::ControlModifier | Qt::ShiftModifier);
    ASSERT_EQ(chosen.size(), 2);
    EXPECT_EQ(chosen[0][0].toString(), u"cavity hood 34x14x11 at 20.1x21"_s);
    EXPECT_EQ(chosen[1][0].toString(), u"cavity hood 34x14x11 at 20x20"_s);
}
TEST(PictureView, ZoomKeepsThePointUnderTheMouse) {
    PictureView view;
    view.resize(800, 400);
    view.show(tests::factsOf(shunter()), motorLens, {});
    const QPointF about(300, 200);
    const double before = (about.x() - view.view().origin.x()) / view.view().scale;
    view.zoom(2.5, about);
    EXPECT_NEAR((about.x() - view.view().origin.x()) / view.view().scale, before, 1e-9);
    view.zoom(1e9, about);
    EXPECT_LE(view.view().scale, 100);
    view.zoom(1e-12, about);
    EXPECT_GT(view.view().scale, 0);
}
TEST(PictureView, ShowsEveryMillimetreWhereVerySmall) {
    PictureView view;
    view.resize(800, 400);
    view.show(tests::factsOf(jotted(tests::newJob("long", "railcar", {}), {"scale G"})), lampsLens,
              {});
    for (const double factor : {1e-6, 1e6}) {
        view.zoom(factor, {400, 200});
        // Still the model on its mat: it looks different from the empty one.
        const QImage model = view.grab().toImage();
        EXPECT_FALSE(view.targets().empty());
        EXPECT_LT(view.targets().size(), 200U);
        PictureView empty;
        empty.resize(800, 400);
        empty.showNothing();
        EXPECT_NE(model, empty.grab().toImage());
    }
}
TEST(PictureView, ALampLeadsToItsCircuitAndAFreeSiteToItsJot) {
    PictureView view;
    view.resize(900, 500);
    const core::Job job = jotted(shunter(), {"lamp rear red", "resistor rear 3k9"});
    view.show(tests::factsOf(job), lampsLens, job.groups[0].id);
    (void)view.grab();
    QSignalSpy chosen(&view, &PictureView::subjectChosen);
    QSignalSpy offered(&view, &PictureView::jotOffered);
    const Target* lamp = targetWith(view, u"rear lamp (red LED)"_s);
    ASSERT_NE(lamp, nullptr);
    EXPECT_TRUE(lamp->tip.contains(u"computed"_s));
    QTest::mouseClick(&view, Qt::LeftButton, {}, lamp->where.center().toPoint());
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.at(0).at(0).value<std::string>(), job.groups[0].id);
    const Target* site = targetWith(view, u"Room for a front lamp"_s);
    ASSERT_NE(site, nullptr);
    QTest::mouseClick(&view, Qt::LeftButton, {}, site->where.center().toPoint());
    ASSERT_EQ(offered.count(), 1);
    EXPECT_EQ(offered.at(0).at(0).toString(), u"lamp front lamp white"_s);
}
TEST(PictureView, TheKeyboardReachesEveryTarget) {
    PictureView view;
    view.resize(900, 500);
    view.show(tests::factsOf(jotted(shunter(), {"lamp rear red"})), lampsLens, {});
    view.QWidget::show();
    view.activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowActive(&view));
    view.setFocus();
    (void)view.grab();
    QSignalSpy chosen(&view, &PictureView::subjectChosen);
    QSignalSpy offered(&view, &PictureView::jotOffered);
    std::vector<std::string> subjects;
    QStringList jots;
    for (const Target& target : view.targets()) {
        if (!target.subject.empty()) subjects.push_back(target.subject);
        if (!target.jot.isEmpty()) jots.append(target.jot);
    }
    ASSERT_GE(subjects.size() + static_cast<std::size_t>(jots.size()), 3U);
    for (std::size_t i = 0; i < view.targets().size(); ++i) {
        QTest::keyClick(&view, Qt::Key_Tab);
        QTest::keyClick(&view, Qt::Key_Return);
    }
    // Every one of them, in the order in which they stand, each once.
    std::vector<std::string> reached;
    for (const auto& call : chosen) reached.push_back(call.at(0).value<std::string>());
    QStringList offers;
    for (const auto& call : offered) offers.append(call.at(0).toString());
    std::sort(subjects.begin(), subjects.end());
    std::sort(reached.begin(), reached.end());
    jots.sort();
    offers.sort();
    EXPECT_EQ(reached, subjects);
    EXPECT_EQ(offers, jots);
}
/// Mean light of the picture near a point.
double lightAt(const QImage& image, const QPoint& at) {
    double sum = 0;
    for (int dx = -6; dx <= 6; ++dx) {
        for (int dy = -6; dy <= 6; ++dy) {
            const QColor colour = image.pixelColor(at + QPoint(dx, dy));
            sum += (colour.red() + colour.green() + colour.blue()) / 255.0;
        }
    }
    return sum / (13 * 13);
}
TEST(PictureView, LampsGlowInTheDarkByTheirCurrentAndInTheirColour) {
    const auto shot = [](const core::Job& job, QPoint& at) {
        PictureView view;
        view.resize(900, 500);
        view.show(tests::factsOf(job), lampsLens, {});
        view.setDark(true);
        const QImage image = view.grab().toImage();
        at = (view.view().at(job.groups[0].rows[0].lamps[0].fitted.pose.at) *
              image.devicePixelRatio())
                 .toPoint();
        return image;
    };
    QPoint at;
    const core::Job job = jotted(shunter(), {"lamp rear red"});
    const double none = lightAt(shot(job, at), at);
    const double dim = lightAt(shot(jotted(job, {"resistor rear 47k"}), at), at);
    const QImage lit = shot(jotted(job, {"resistor rear 1k"}), at);
    EXPECT_LT(none, dim);
    EXPECT_LT(dim, lightAt(lit, at));
    const QColor centre = lit.pixelColor(at);
    EXPECT_GT(centre.red(), 2 * centre.blue());
}

TEST(PictureView, LightShowsWhereABodyGapes) {
    // In brass, so that the wall itself shows nothing.
    const core::Job closed = jotted(tests::newJob("Aurora", "saloon", {}),
                                    {"supply fixed dc 12V", "lamp table warm white for 10mA",
                                     "resistor table 1k", "wall table metal 0.5mm"});
    const auto seam = [](const core::Job& job, double share) {
        PictureView view;
        view.resize(900, 500);
        view.show(tests::factsOf(job), lampsLens, {});
        view.setDark(true);
        const QImage image = view.grab().toImage();
        const core::Body& body = job.units[0].body;
        const core::Fitted& lamp = job.groups[0].rows[0].lamps[0].fitted;
        const core::Millimetres away = body.length * share;
        const QPointF at = view.view().at({lamp.pose.at.x + away, core::floorOf(body)});
        return lightAt(image, ((at - QPointF(0, 1)) * image.devicePixelRatio()).toPoint());
    };
    const core::Job gaping = jotted(closed, {"wall table gap 0.5mm"});
    EXPECT_GT(seam(gaping, 0), seam(closed, 0) + 0.1);
    // Fainter farther off, and none along the frame where it is the roof that gapes.
    EXPECT_LT(seam(gaping, 0.25), seam(gaping, 0));
    EXPECT_NEAR(seam(jotted(closed, {"wall table gap 0.5mm roof"}), 0), seam(closed, 0), 1e-9);
}
TEST(PictureView, ALightPipeIsDrawnToItsLedAndGlowsAlongItsSide) {
    const core::Job open = jotted(shunter(), {"lamp front white for 10mA", "resistor front 470"});
    const core::Job piped = jotted(open, {"pipe front 30mm"});
    const auto shot = [](const core::Job& job, bool dark, core::Millimetres inwards) {
        PictureView view;
        view.resize(900, 500);
        view.show(tests::factsOf(job), lampsLens, {});
        view.setDark(dark);
        const QImage image = view.grab().toImage();
        core::Point at = job.groups[0].rows[0].lamps[0].fitted.pose.at;
        at.x += inwards;
        return image.pixelColor((view.view().at(at) * image.devicePixelRatio()).toPoint());
    };
    // By day a clear rod half-way in.
    EXPECT_NE(shot(piped, false, core::Millimetres{15}), shot(open, false, core::Millimetres{15}));
    EXPECT_GT(shot(piped, false, core::Millimetres{15}).lightness(), 200);
    // In the dark it glows, with less light behind it than a bare lamp throws there.
    const auto glow = [&](core::Millimetres at) {
        return shot(piped, true, at).lightness() - shot(open, true, at).lightness();
    };
    EXPECT_GT(glow(core::Millimetres{25}), 8);
    const core::Job fibre = jotted(open, {"fibre front 30mm bore 2mm"});
    EXPECT_LT(shot(fibre, true, core::Millimetres{25}).lightness(),
              shot(piped, true, core::Millimetres{25}).lightness());
}
TEST(PictureView, ShowsItsLampsAsIfOneHadFailed) {
    PictureView view;
    view.resize(900, 500);
    const core::Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2",
                                             "lamp rear red", "resistor rear 2k2"});
    view.show(tests::factsOf(job), lampsLens, {});
    const core::Relit frontOut = [](std::vector<core::LitLamp>& all) { all[0].brightness = 0; };
    const double rear = view.lamps()[1].brightness;
    view.put({.relit = frontOut, .words = u"front fails"_s});
    EXPECT_TRUE(view.dark());
    EXPECT_EQ(view.lamps()[0].brightness, 0);
    EXPECT_EQ(view.lamps()[1].brightness, rear);
    // It stays so however it is driven, and for another failure; then the lights are as they were.
    core::Operating low;
    low.volts = core::Volts{10};
    view.drive(low);
    EXPECT_EQ(view.lamps()[0].brightness, 0);
    EXPECT_LT(view.lamps()[1].brightness, rear);
    view.drive({});
    view.put({.relit = [](std::vector<core::LitLamp>& all) { all[1].brightness = 0; },
              .words = u"rear fails"_s});
    EXPECT_GT(view.lamps()[0].brightness, 0);
    view.put({});
    EXPECT_FALSE(view.dark());
    EXPECT_EQ(view.lamps()[1].brightness, rear);
    // Where it was dark before it stays dark.
    view.setDark(true);
    view.put({.relit = frontOut, .words = u"front fails"_s});
    view.put({});
    EXPECT_TRUE(view.dark());
    EXPECT_GT(view.lamps()[0].brightness, 0);
    // Another model has nothing of it.
    view.put({.relit = frontOut, .words = u"front fails"_s});
    core::Job other = job;
    other.name = "Other";
    view.show(tests::factsOf(other), lampsLens, {});
    EXPECT_GT(view.lamps()[0].brightness, 0);
}

TEST(PictureView, ATesterIsTouchedToTwoPoints) {
    PictureView view;
    view.resize(900, 500);
    const core::Job job = jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 1k"});
    view.show(tests::factsOf(job), lampsLens, {});
    (void)view.grab();
    EXPECT_EQ(targetWith(view, u"plus of front lamp"_s), nullptr);  // of the lamp in question only
    view.show(tests::factsOf(job), lampsLens, job.groups[0].id);
    const auto touch = [&](const QString& words) {
        (void)view.grab();
        const Target* target = targetWith(view, words);
        ASSERT_NE(target, nullptr) << words.toStdString();
        QTest::mouseClick(&view, Qt::LeftButton, {}, target->where.center().toPoint());
        (void)view.grab();
    };
    const auto lines = [&] {
        QStringList all;
        for (const Target& target : view.targets()) {
            if (!target.line.isEmpty()) all.push_back(target.line);
        }
        return all.join(u"; "_s).toStdString();
    };
    const QImage before = view.grab().toImage();
    touch(u"plus of front lamp"_s);
    EXPECT_EQ(lines(), "");
    touch(u"minus of front lamp"_s);
    EXPECT_NE(view.grab().toImage(), before);
    EXPECT_EQ(lines(), "tester front lamp lit; tester front lamp dim; tester front lamp dark");
    // Another tester at the same points, then the plug, the wrong way round.
    touch(u"Touch with it: 3 V cell"_s);
    EXPECT_EQ(lines(),
              "tester front lamp lit at cell; tester front lamp dim at cell; tester front "
              "lamp dark at cell");
    touch(u"Touch with it: 9 V tester"_s);
    touch(u"the wire of output front"_s);
    EXPECT_EQ(lines(), "");
    touch(u"the common"_s);
    EXPECT_EQ(lines(), "tester front lamp reversed with resistor");
    // What one sees is entered with one press; the probes stay where they are.
    QSignalSpy chosen(&view, &PictureView::jotChosen);
    touch(u"Enters: tester front lamp reversed"_s);
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.at(0).at(0).toString(), u"tester front lamp reversed with resistor"_s);
    EXPECT_NE(lines(), "");
    // A point that has a probe lets it go; Escape takes both away, and so does another model.
    touch(u"the common"_s);
    EXPECT_EQ(lines(), "");
    touch(u"the common"_s);
    EXPECT_NE(lines(), "");
    QTest::keyClick(&view, Qt::Key_Escape);
    (void)view.grab();
    EXPECT_EQ(lines(), "");
    touch(u"plus of front lamp"_s);
    touch(u"Takes both probes off"_s);
    EXPECT_EQ(view.grab().toImage(), before);
    // A lamp that is gone is let go of without a word.
    touch(u"plus of front lamp"_s);
    touch(u"minus of front lamp"_s);
    view.show(tests::factsOf(jotted(job, {"remove front"})), lampsLens, job.groups[0].id);
    (void)view.grab();
    EXPECT_EQ(lines(), "");
}

TEST(PictureView, TheBankLiesInItsHollowWithItsPolarity) {
    PictureView view;
    view.resize(900, 500);
    const core::Job job =
        jotted(shunter(), {"bank chips-3300u-25 charge 220R diode 0.35V in cab floor"});
    const core::Job without = shunter();
    view.show(tests::factsOf(job), stageView("stay-alive").overlay, {});
    const QImage with = view.grab().toImage();
    const Target* found = targetWith(view, u"bank chips-3300u-25: 20 mm"_s);
    ASSERT_NE(found, nullptr);
    const Target bank = *found;  // the next painting makes them anew
    EXPECT_TRUE(bank.tip.contains(u"It lies in the cab floor."_s)) << bank.tip.toStdString();
    EXPECT_EQ(bank.jot, u"bank "_s);
    const core::Cavity& floor = tests::body(job).cavities.at(1);
    const QRectF hollow = view.view().box(floor.corner, floor.length, floor.height);
    EXPECT_TRUE(hollow.adjusted(-1, -1, 1, 1).contains(bank.where));
    // The lens adds the wires with their roles: above the bank the picture is another.
    view.show(tests::factsOf(job), stageView("measure").overlay, {});
    const QImage bare = view.grab().toImage();
    const qreal dots = with.devicePixelRatio();
    const QRect above =
        QRectF(bank.where.left() * dots, (bank.where.top() - 60) * dots, 160 * dots, 56 * dots)
            .toRect();
    EXPECT_NE(with.copy(above), bare.copy(above));
    view.show(tests::factsOf(without), stageView("stay-alive").overlay, {});
    (void)view.grab();
    EXPECT_EQ(targetWith(view, u"chips"_s), nullptr);
}
TEST(TrainLayout, PutsUnitsUnderEachOtherWhereThatMakesThemLarger) {
    const core::Job two =
        jotted(tests::newJob("Tern", "railcar"), {"unit railcar called rear car"});
    const auto wide = trainLayout(two, {2400, 200});
    EXPECT_DOUBLE_EQ(wide[0].origin.y(), wide[1].origin.y());
    EXPECT_NEAR(wide[1].origin.x() - wide[0].origin.x(),
                wide[0].scale * core::startOf(two, 1).value(), 1e-6);
    const auto square = trainLayout(two, {760, 330});
    EXPECT_GT(square[1].origin.y(), square[0].origin.y() + 40);
    EXPECT_DOUBLE_EQ(square[0].scale, square[1].scale);
    EXPECT_GT(square[0].scale, trainLayout(two, {760, 160})[0].scale);
    // Everything is within the area, each unit over its rail.
    const std::vector<core::Job> trains{
        two, jotted(two, {"unit saloon", "unit box-van", "unit tram"}),
        tests::newJob("light", "lighthouse"), tests::newJob("board", "baseboard")};
    for (const core::Job& job : trains) {
        for (const QSizeF area : {QSizeF(760, 330), QSizeF(300, 600), QSizeF(1900, 240)}) {
            const auto units = trainLayout(job, area);
            ASSERT_EQ(units.size(), job.units.size());
            for (std::size_t i = 0; i < units.size(); ++i) {
                const core::Body& body = job.units[i].body;
                const QRectF box = units[i].box({}, body.length, body.height);
                EXPECT_TRUE(QRectF(QPointF(), area).contains(box))
                    << job.name << " " << i << " in " << area.width();
            }
        }
    }
}
TEST(PictureView, OnThreeRailsShowsTheSliderOnTheMiddle) {
    const core::Job job =
        jotted(shunter(), {"supply three-rail", "collector slider 60mm", "gap 60mm middle"});
    PictureView view;
    view.resize(800, 400);
    view.show(tests::factsOf(job), stageView("stay-alive").overlay, {});
    view.setVisible(true);
    // What is reckoned as left is the middle: 45 mm of slider within 60 mm of dead studs.
    const core::DeadLength dead{core::Rails::Left, core::Millimetres{0}, core::Millimetres{60}};
    view.put({.track = core::TrackUnder{{dead}, core::Millimetres{60 + 30}}});
    (void)view.grab();
    ASSERT_NE(targetWith(view, u"the slider lies on dead studs"_s), nullptr);
    EXPECT_EQ(targetWith(view, u"stands on dead rail"_s), nullptr);  // the wheels are on live rails
    // A part of it is still on live ones.
    view.put({.track = core::TrackUnder{{dead}, core::Millimetres{60 + 10}}});
    (void)view.grab();
    ASSERT_NE(targetWith(view, u"the slider has power"_s), nullptr);
    // Both outer rails dead: every wheel, not the slider.
    const core::DeadLength outer{core::Rails::Right, core::Millimetres{0}, core::Millimetres{300}};
    view.put({.track = core::TrackUnder{{outer}, core::Millimetres{150}}});
    (void)view.grab();
    EXPECT_NE(targetWith(view, u"axle 1 left stands on dead rail"_s), nullptr);
    EXPECT_NE(targetWith(view, u"the slider has power"_s), nullptr);
}
TEST(PictureView, StandsOnTheTrackThatAStageShows) {
    const core::Job job = jotted(shunter(), {"axle 1 none", "axle 3 right", "points 1:9"});
    PictureView view;
    view.resize(800, 400);
    view.show(tests::factsOf(job), stageView("stay-alive").overlay, {});
    view.setVisible(true);
    const QImage onBench = view.grab().toImage();
    EXPECT_EQ(targetWith(view, u"stands on dead rail"_s), nullptr);
    // The dead length has come under the middle axle.
    const core::Millimetres axle = job.units[0].body.axles[1].x;
    const core::DeadLength dead{core::Rails::Left, core::Millimetres{0}, core::Millimetres{28}};
    view.put({.track = core::TrackUnder{{dead}, axle + core::Millimetres{14}}});
    const QImage onTrack = view.grab().toImage();
    EXPECT_NE(onBench, onTrack);
    ASSERT_NE(targetWith(view, u"axle 2 left stands on dead rail"_s), nullptr);
    EXPECT_NE(targetWith(view, u"axle 2 right has power"_s), nullptr);
    EXPECT_NE(targetWith(view, u"axle 1 left does not collect"_s), nullptr);
    EXPECT_NE(targetWith(view, u"axle 3 right has power"_s), nullptr);
    // Pressed, a wheel leads to its line; past it, it has power again; off the track nothing stays.
    EXPECT_EQ(targetWith(view, u"axle 2 left"_s)->jot, u"axle 2 "_s);
    view.put({.track = core::TrackUnder{{dead}, axle + core::Millimetres{29}}});
    EXPECT_NE(view.grab().toImage(), onTrack);
    EXPECT_NE(targetWith(view, u"axle 2 left has power"_s), nullptr);
    view.put({});
    EXPECT_EQ(view.grab().toImage(), onBench);
}
TEST(PictureView, PaintsEveryUnitWithItsNameAndItsAxlesCountedOn) {
    PictureView view;
    view.resize(760, 330);
    const core::Job two =
        jotted(tests::newJob("Tern", "railcar"), {"unit railcar called rear car", "axle 6 left"});
    view.show(tests::factsOf(two), lampsLens, {});
    (void)view.grab();
    const Target* sixth = targetWith(view, u"Axle 6: "_s);
    ASSERT_NE(sixth, nullptr);
    EXPECT_TRUE(sixth->tip.contains(u"left only"_s));
    EXPECT_EQ(sixth->likely.at(0).jot, u"axle 6 both"_s);
    EXPECT_GT(sixth->where.top(), targetWith(view, u"Axle 2: "_s)->where.bottom());
    EXPECT_NE(targetWith(view, u"Motor, rear car"_s), nullptr);
    EXPECT_NE(targetWith(view, u"Room for a rear car front lamp"_s), nullptr);
}

}  // namespace
}  // namespace glimmet::app
