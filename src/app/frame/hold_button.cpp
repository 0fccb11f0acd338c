#include "app/frame/hold_button.h"

#include "app/frame/jot_line.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"
#include "core/work/jot.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QPushButton>
#include <QToolButton>

using namespace Qt::StringLiterals;

namespace glimmet::app {

HoldButton::HoldButton(JotLine& jot)
    : QWidget(&jot),
      m_jot(jot),
      m_button(new QPushButton(tr("Hold (F2)"), this)),
      m_hands(new QToolButton(this)),
      m_deeds(new QMenu(this)) {
    m_button->setObjectName(u"holdButton"_s);
    m_button->setToolTip(
        tr("Begin a line, like light or stall: what it lacks is read from the bench meter."));
    m_hands->setObjectName(u"handsButton"_s);
    m_hands->setText(tr("Hands"));
    m_hands->setAccessibleName(tr("What happens to the model on the simulated bench"));
    m_hands->setToolTip(m_hands->accessibleName());
    m_hands->setPopupMode(QToolButton::InstantPopup);
    m_hands->setMenu(m_deeds);
    m_hands->hide();
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    row->addWidget(m_button);
    row->addWidget(m_hands);
    hide();
    connect(m_button, &QPushButton::clicked, this, &HoldButton::hold);
    connect(&m_meter, &BenchMeter::held, this, &HoldButton::held);
    connect(&m_meter, &BenchMeter::identified, this, [this](const QString& name) {
        if (name.contains("bench simulator"_L1)) m_meter.ask("HAND:LIST?");
    });
    connect(&m_meter, &BenchMeter::answered, this, &HoldButton::offerDeeds);
    connect(&m_meter, &BenchMeter::failed, this, [this](const QString& sentence) {
        m_button->setEnabled(true);
        emit failed(sentence);
    });
}

void HoldButton::setAddress(const QString& address) {
    const QString wanted = m_instead.isEmpty() ? address : m_instead;
    if (wanted == m_address) return;
    m_address = wanted;
    m_hands->hide();
    m_button->setEnabled(true);
    const auto place = core::scpi::address(m_address.toStdString());
    setVisible(place.has_value());
    if (place) m_meter.setAddress(*place);
}

void HoldButton::useInstead(const QString& address) {
    m_instead = address;
    setAddress(address);
    m_meter.send("HAND OFF");  // so it is known at once, with what its hands can do
}

void HoldButton::hold() {
    if (isHidden()) {
        emit failed(
            tr("No bench meter is set up. Its address is a house rule: press Ctrl+H and type "
               "meter HOST:PORT."));
        return;
    }
    const core::Measurable wanted = core::measurable(m_jot.words().toStdString());
    if (wanted.dimensions.empty()) {
        emit failed(
            tr("What is being measured? Begin a line with light, haul, slip, stall, ohms or "
               "track, then hold."));
        return;
    }
    m_button->setEnabled(false);
    m_meter.hold(wanted.dimensions, wanted.momentary);
}

void HoldButton::held(const std::vector<BenchMeter::Held>& values) {
    m_button->setEnabled(true);
    const bool scatter = core::measurable(m_jot.words().toStdString()).scatter;
    QStringList words, how;
    for (const BenchMeter::Held& each : values) {
        words.append(qs(core::asJot(each.dimension, each.value.mean)));
        if (scatter && each.dimension == core::Dimension::Current && each.value.scatter > 1e-6)
            words.append(u"scatter "_s + qs(core::asJot(each.dimension, each.value.scatter, 2)));
        how.append(tr("± %1").arg(qs(core::formatted(each.value.scatter, each.dimension, 2))));
    }
    m_jot.add(words.join(u' '), tr("Held, mean of %1 readings, scatter %2")
                                    .arg(values.front().value.count)
                                    .arg(how.join(u", "_s)));
}

void HoldButton::offerDeeds(const QString& deeds) {
    if (!deeds.contains(u';')) return;
    m_deeds->clear();
    for (const QString& deed : deeds.split(u';')) {
        m_deeds->addAction(deed.toLower(), this, [this, deed] {
            m_hands->setText(tr("Hands: %1").arg(deed.toLower()));
            m_meter.send("HAND " + deed.toUtf8());
        });
    }
    m_hands->show();
}

}  // namespace glimmet::app
