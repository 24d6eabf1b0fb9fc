// SPDX-License-Identifier: GPL-3.0-or-later
#include "drop_bench.h"

#include <algorithm>
#include <cmath>

#include <QCheckBox>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>

#include "background.h"
#include "ember/film/import_strikes.h"
#include "ember/project/file.h"
#include "form.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

namespace {
constexpr double picturesPerSecond = 60;
constexpr double impactSeen = 0.4; ///< seconds an impact's ring is shown
} // namespace

// --- the picture ---

DropView::DropView(QWidget* parent) : QWidget(parent)
{
    setMinimumSize(320, 180);
    connect(&timer_, &QTimer::timeout, this, [this] {
        now_ = static_cast<double>(clock_.elapsed()) / 1000;
        if (now_ > scene_.seconds)
            timer_.stop();
        update();
    });
}

void DropView::setRun(const drop::Scene& scene, drop::Run run)
{
    scene_ = scene;
    run_ = std::move(run);
    play();
}

void DropView::play()
{
    now_ = 0;
    clock_.start();
    timer_.start(16);
    update();
}

void DropView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.fillRect(rect(), theme::surround);
    if (run_.pictures.empty())
        return;
    p.setRenderHint(QPainter::Antialiasing);
    const drop::View& view = scene_.view;
    const double scale = std::min(width() / view.width, height() / view.height);
    const auto at = [&](drop::Vec place) {
        return QPointF((place.x - view.left) * scale, height() - (place.y - view.bottom) * scale);
    };
    const auto picture =
        std::clamp<std::size_t>(static_cast<std::size_t>(now_ * picturesPerSecond), 0, run_.pictures.size() - 1);
    for (std::size_t i = 0; i < scene_.bodies.size(); ++i) {
        const drop::Body& body = scene_.bodies[i];
        const drop::Pose& pose = run_.pictures[picture][i];
        p.save();
        p.translate(at(pose.position));
        p.rotate(-pose.angle);
        p.setPen(QPen(theme::onSurround, 1));
        p.setBrush(body.fixed ? theme::panel : theme::raised);
        if (body.shape == drop::Shape::ball) {
            p.drawEllipse(QPointF(0, 0), body.radius * scale, body.radius * scale);
            p.drawLine(QPointF(0, 0), QPointF(body.radius * scale, 0));
        } else {
            p.drawRect(
                QRectF(-body.width / 2 * scale, -body.height / 2 * scale, body.width * scale, body.height * scale));
        }
        p.restore();
    }
    double most = 0;
    for (const drop::Impact& impact : run_.impacts)
        most = std::max(most, impact.energy);
    p.setBrush(Qt::NoBrush);
    for (const drop::Impact& impact : run_.impacts) {
        const double age = now_ - impact.seconds;
        if (age < 0 || age > impactSeen)
            continue;
        const double strength = std::sqrt(impact.energy / most);
        p.setPen(QPen(theme::heat(strength), 2));
        p.drawEllipse(at(impact.at), 4 + 40 * strength * age / impactSeen, 4 + 40 * strength * age / impactSeen);
    }
}

// --- the window ---

DropBench::DropBench(OpenDocument& document, Selection& selection, Playhead& playhead, ProjectFile& file,
                     const Dialogs& dialogs, QWidget* parent)
    : QDialog(parent), document_(document), selection_(selection), playhead_(playhead), file_(file), dialogs_(dialogs),
      text_(new QPlainTextEdit(this)), view_(new DropView(this)), says_(new QLabel(this))
{
    setObjectName(QStringLiteral("drop-bench"));
    setWindowTitle(tr("Drop bench"));
    resize(900, 520);
    auto* column = newColumn(this, 10, {16, 12, 16, 12});
    auto* row = new QHBoxLayout;
    text_->setObjectName(QStringLiteral("drop-scene"));
    text_->setAccessibleName(tr("Scene"));
    text_->setFont(theme::numbers(12));
    text_->setTabChangesFocus(true);
    row->addWidget(text_, 2);
    row->addWidget(view_, 3);
    column->addLayout(row, 1);
    says_->setObjectName(QStringLiteral("drop-says"));
    says_->setWordWrap(true);
    column->addWidget(says_);
    auto* buttons = new QHBoxLayout;
    const auto button = [&](const QString& words, const char* name, const QString& tip) {
        auto* made = new QPushButton(words, this);
        made->setObjectName(QLatin1String(name));
        made->setToolTip(tip);
        made->setAutoDefault(false);
        buttons->addWidget(made);
        return made;
    };
    auto* open = button(tr("Open scene"), "drop-open", tr("Reads a scene from a file"));
    auto* sample = button(tr("Sample"), "drop-sample", tr("The sample scene again"));
    auto* again = button(tr("Drop again"), "drop-again", tr("Shows the fall once more"));
    buttons->addStretch(1);
    places_ = new QCheckBox(tr("With their places"), this);
    places_->setObjectName(QStringLiteral("drop-places"));
    places_->setToolTip(
        tr("Impacts keep where they are around a camera that sees this view: further ones are weaker and "
           "later"));
    buttons->addWidget(places_);
    save_ = button(tr("Save impacts"), "drop-save", tr("Writes the impacts as JSON Lines"));
    put_ =
        button(tr("Add as strikes"), "drop-put",
               tr("Each impact becomes a strike, its strength from its energy, its direction from the blow; the drop "
                  "begins at the playhead"));
    column->addLayout(buttons);
    connect(open, &QPushButton::clicked, this, &DropBench::openScene);
    connect(sample, &QPushButton::clicked, this,
            [this] { text_->setPlainText(QString::fromStdString(drop::sceneToJson(drop::sampleScene()))); });
    connect(again, &QPushButton::clicked, view_, &DropView::play);
    connect(save_, &QPushButton::clicked, this, &DropBench::saveImpacts);
    connect(put_, &QPushButton::clicked, this, &DropBench::putStrikes);
    typing_.setSingleShot(true);
    typing_.setInterval(400);
    connect(&typing_, &QTimer::timeout, this, &DropBench::readScene);
    connect(text_, &QPlainTextEdit::textChanged, &typing_, qOverload<>(&QTimer::start));
    text_->setPlainText(QString::fromStdString(drop::sceneToJson(drop::sampleScene())));
    readScene();
}

void DropBench::allowBoth(const QString& whyNot)
{
    allow(put_, whyNot);
    allow(save_, whyNot);
}

void DropBench::readScene()
{
    typing_.stop();
    ++asked_;
    auto scene = drop::sceneFromJson(text_->toPlainText().toStdString(), "The scene");
    if (!scene) {
        scene_.reset();
        says_->setText(said(scene.error()));
        allowBoth(tr("The scene cannot be read"));
        return;
    }
    allowBoth(tr("It is still falling"));
    const drop::Scene& fallen = scene.value();
    inBackground(
        this, [fallen] { return drop::simulate(fallen, picturesPerSecond); },
        [this, fallen, number = asked_](drop::Run run) {
            if (asked_ == number)
                showRun(fallen, std::move(run));
        });
}

void DropBench::showRun(const drop::Scene& scene, drop::Run run)
{
    scene_ = scene;
    impacts_ = run.impacts;
    view_->setRun(scene, std::move(run));
    says_->setText(impacts_.empty() ? tr("Nothing hits hard enough to tell.") : tr("%1 impacts").arg(impacts_.size()));
    allowBoth(impacts_.empty() ? tr("There are no impacts") : QString());
}

void DropBench::openScene()
{
    const QString path = dialogs_.openFile(this, tr("Open a scene"), tr("Scenes (*.json)"));
    if (path.isEmpty())
        return;
    const auto text = readFile(path.toStdString(), drop::largestScene, "a scene");
    if (!text) {
        says_->setText(said(text.error()));
        return;
    }
    text_->setPlainText(QString::fromStdString(text.value()));
    readScene();
}

std::string DropBench::impactLines() const
{
    return drop::impactsToJsonLines(impacts_, scene_->view,
                                    places_->isChecked() ? drop::Tell::positions : drop::Tell::pictures);
}

void DropBench::saveImpacts()
{
    const QString path =
        dialogs_.saveFile(this, tr("Save the impacts as"), QStringLiteral("impacts.jsonl"), tr("JSON Lines (*.jsonl)"));
    if (path.isEmpty())
        return;
    const Status may = file_.mayWrite(path);
    const Status status = may ? writeFileSafely(path.toStdString(), impactLines()) : may;
    says_->setText(status ? tr("%1 impacts written to %2").arg(impacts_.size()).arg(QFileInfo(path).fileName())
                          : said(status.error()));
}

void DropBench::putStrikes()
{
    // The way a list goes that a simulator wrote.
    auto list = strikesFromText(ListFormat::jsonLines, impactLines(), {});
    if (!list)
        return;
    const Project& project = document_.project();
    const double start = project.rate.seconds(static_cast<double>(playhead_.frame()));
    for (ListedStrike& strike : list.value())
        strike.seconds += start;
    auto imported = withStrikesImported(project, list.value());
    const QString result = QString::fromStdString(importSentence(imported));
    document_.edit(std::move(imported.project), result);
    selection_.set(std::move(imported.ids));
    says_->setText(result);
}

} // namespace ember::app
