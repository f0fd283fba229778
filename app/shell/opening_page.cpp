#include "app/shell/opening_page.h"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLocale>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/fields/field.h"
#include "app/session/remembered.h"
#include "app/shell/demo_jobs.h"
#include "core/floor/ledger.h"
#include "core/formats/job_json.h"
#include "pictures/paint/job_picture.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr int kColumns = 2, kMostLast = 6;

// What has been done with a job, in the order of the work.
QString stateOf(const JobWithRecord& read, const Breakdown& breakdown) {
  const floor::Progress progress = floor::progress(read.record.cuttings, read.record.events);
  std::int64_t taken = 0;
  for (const auto& [number, cutting] : progress.cuttings) taken += cutting.givenUp ? 0 : 1;
  if (taken > 0)
    return OpeningPage::tr("%1 at the saw")
        .arg(counted(taken, OpeningPage::tr("cutting"), OpeningPage::tr("cuttings")));
  if (read.record.plan)
    return OpeningPage::tr("laid out on %1")
        .arg(counted(static_cast<std::int64_t>(read.record.plan->plan.sheets.size()),
                     OpeningPage::tr("sheet"), OpeningPage::tr("sheets")));
  const std::int64_t pieces = pieceCount(breakdown.parts);
  return pieces == 0
             ? OpeningPage::tr("nothing drawn yet")
             : OpeningPage::tr("drawn, %1")
                   .arg(counted(pieces, OpeningPage::tr("piece"), OpeningPage::tr("pieces")));
}

QLabel* heading(const QString& words) {
  auto* out = new Label(words);
  out->setFont(look::text(look::kFigure, true));
  return out;
}

}  // namespace

JobCard::JobCard(const QString& name, const QString& about, QWidget* parent)
    : QAbstractButton(parent), about_(about) {
  setText(name);
  setAccessibleName(name);
  setAccessibleDescription(about);
  setFocusPolicy(Qt::StrongFocus);
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  setAttribute(Qt::WA_Hover);
}

void JobCard::setPicture(const QImage& picture, const QString& about) {
  picture_ = picture;
  about_ = about;
  setAccessibleDescription(about);
  update();
}

void JobCard::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) return click();
  QAbstractButton::keyPressEvent(event);
}

QSize JobCard::sizeHint() const {
  return {380, kPicture + 8};
}

void JobCard::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  const QRect card = rect().adjusted(1, 1, -1, -1);
  painter.fillRect(card, underMouse() ? look::kSlateWash : look::kCard);
  painter.setPen(hasFocus() ? QPen(look::kSlate, 2) : QPen(look::kRule, 1));
  painter.drawRect(card);
  const QRect room(4, 4, kPicture, kPicture);
  if (!picture_.isNull()) painter.drawImage(room, picture_);
  const QRect words(kPicture + 16, 8, width() - kPicture - 24, height() - 16);
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(16, true));
  painter.drawText(words, Qt::AlignLeft | Qt::AlignTop,
                   painter.fontMetrics().elidedText(text(), Qt::ElideRight, words.width()));
  painter.setFont(look::text(look::kBody));
  painter.drawText(words.adjusted(0, 26, 0, 0), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                   about_);
}

OpeningPage::OpeningPage(QWidget* parent) : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(36, 28, 36, 20);
  row->setSpacing(36);
  auto* left = new QVBoxLayout;
  left->setSpacing(10);
  auto* title = new Label(tr("Plain Patch"));
  title->setFont(look::text(30, true));
  left->addWidget(title);
  auto* about = new Label(tr("From the drawing to plywood parts that fit."));
  about->setFont(look::text(look::kBody));
  about->setWordWrap(true);
  left->addWidget(about);
  left->addSpacing(14);
  const auto button = [&](const QString& words, auto act) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(words);
    made->setFont(look::text(look::kBody));
    made->setMinimumSize(250, 40);
    connect(made, &QPushButton::clicked, this, act);
    left->addWidget(made);
    return made;
  };
  back_ = button(tr("Back"), [this] { emit back(); });
  new_ = button(tr("New job in millimetres"), [this] { emit newJob(Unit::Millimetre); });
  button(tr("New job in inches"), [this] { emit newJob(Unit::Inch); });
  button(tr("New job from a parts list (CSV)"), [this] { emit fromList(); });
  button(tr("Open another file"), [this] { emit openOther(); });
  left->addStretch(1);
  row->addLayout(left);
  auto* right = new QVBoxLayout;
  right->setSpacing(10);
  lastWords_ = heading(tr("Last open"));
  right->addWidget(lastWords_);
  last_ = new QGridLayout;
  last_->setSpacing(10);
  right->addLayout(last_);
  right->addWidget(heading(tr("Jobs to look at")));
  demos_ = new QGridLayout;
  demos_->setSpacing(10);
  right->addLayout(demos_);
  right->addStretch(1);
  row->addLayout(right, 1);
  for (const DemoJob& demo : demoJobs()) {
    JobCard* card = addCard(*demos_, demo.title,
                            QStringLiteral(":/demo/%1.plainpatch").arg(demo.name), demo.about);
    connect(card, &JobCard::clicked, this, [this, name = demo.name] { emit openDemo(name); });
  }
}

JobCard* OpeningPage::addCard(QGridLayout& into, const QString& name, const QString& path,
                              const QString& about) {
  auto* card = new JobCard(name, about);
  const int at = into.count();
  into.addWidget(card, at / kColumns, at % kColumns);
  waiting_.push_back({card, path, about});
  return card;
}

void OpeningPage::refresh(const QString& open) {
  ++generation_;
  back_->setVisible(!open.isEmpty());
  back_->setText(tr("Back to %1").arg(unmarked(open)));
  while (QLayoutItem* item = last_->takeAt(0)) {
    std::erase_if(waiting_, [&](const Waiting& one) { return one.card == item->widget(); });
    delete item->widget();
    delete item;
  }
  const QStringList paths = lastJobs().mid(0, kMostLast);
  lastWords_->setVisible(!paths.isEmpty());
  std::vector<Waiting> later = std::exchange(waiting_, {});
  for (const QString& path : paths) {
    JobCard* card = addCard(*last_, QFileInfo(path).completeBaseName(), path, {});
    card->setToolTip(plainTip(path));
    connect(card, &JobCard::clicked, this, [this, path] { emit openPath(path); });
  }
  waiting_.insert(waiting_.end(), later.begin(), later.end());
  loading_.ask();
}

QWidget* OpeningPage::firstFocus() const {
  const QLayoutItem* first = last_->itemAt(0);
  return first != nullptr ? first->widget() : new_;
}

// Read and painted on a thread of its own, one after the other: a job with a long record takes a
// while.
OpeningPage::Loaded OpeningPage::read(const QString& path, const QString& about, double ratio) {
  QFile file(path);
  if (!file.open(QIODevice::ReadOnly)) return {{}, tr("It cannot be read."), {}};
  const auto read = readJobWithRecord(path.toStdString(), file.readAll().toStdString());
  if (!read) return {{}, tr("It cannot be read as a job."), {}};
  const Breakdown breakdown = breakDown(read->job);
  const int side = static_cast<int>(JobCard::kPicture * ratio);
  Loaded out{{}, about, jobPicture(read->job, breakdown, {side, side})};
  if (!about.isEmpty()) return out;
  out.name = qs(read->job.name);
  if (!read->job.place.empty()) out.about = qs(read->job.place) + QLatin1Char('\n');
  out.about +=
      stateOf(read.value(), breakdown) + QLatin1Char('\n') +
      tr("saved %1").arg(QLocale().toString(QFileInfo(path).lastModified(), QLocale::ShortFormat));
  return out;
}

void OpeningPage::loadOne() {
  if (waiting_.empty() || isReading_) return;
  isReading_ = true;
  reading_ = std::jthread([this, generation = generation_, path = waiting_.front().path,
                           about = waiting_.front().about, ratio = devicePixelRatioF()] {
    const Loaded loaded = read(path, about, ratio);
    QMetaObject::invokeMethod(
        this, [this, generation, loaded] { take(generation, loaded); }, Qt::QueuedConnection);
  });
}

void OpeningPage::take(int generation, const Loaded& loaded) {
  isReading_ = false;
  if (generation == generation_) {
    JobCard* card = waiting_.front().card;
    waiting_.erase(waiting_.begin());
    if (!loaded.name.isEmpty()) {
      card->setText(loaded.name);
      card->setAccessibleName(loaded.name);
    }
    card->setPicture(loaded.picture, loaded.about);
  }
  if (waiting_.empty())
    emit this->loaded();
  else
    loadOne();
}

void OpeningPage::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape && back_->isVisible()) return emit back();
  QWidget::keyPressEvent(event);
}

}  // namespace pp
