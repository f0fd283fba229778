// What the window shows before there is a job: those last open, a new one, those that ship with the
// program, each with its picture.
#pragma once

#include <QAbstractButton>
#include <QImage>
#include <QWidget>
#include <thread>
#include <vector>

#include "app/session/later.h"
#include "core/length/length.h"

class QGridLayout;
class QLabel;
class QPushButton;

namespace pp {

// A job as a card: picture, name, a sentence, its state.
class JobCard : public QAbstractButton {
 public:
  JobCard(const QString& name, const QString& about, QWidget* parent = nullptr);
  void setPicture(const QImage& picture, const QString& about);
  QSize sizeHint() const override;
  static constexpr int kPicture = 116;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QString about_;
  QImage picture_;
};

class OpeningPage : public QWidget {
  Q_OBJECT
 public:
  explicit OpeningPage(QWidget* parent = nullptr);

  // Reads anew which jobs were last open. `open`: the job there is a way back to, none if empty.
  void refresh(const QString& open);
  QWidget* firstFocus() const;
  bool isLoaded() const { return waiting_.empty(); }

 signals:
  void newJob(pp::Unit unit);
  void fromList();
  void openOther();
  void openPath(const QString& path);
  void openDemo(const QString& name);
  void back();
  void loaded();  // every card has its picture

 protected:
  void keyPressEvent(QKeyEvent* event) override;

 private:
  struct Waiting {
    JobCard* card;
    QString path;   // of a file, or of what ships with the program
    QString about;  // empty: what state it is in
  };
  JobCard* addCard(QGridLayout& into, const QString& name, const QString& path,
                   const QString& about);
  struct Loaded {
    QString name, about;  // no name: as it is
    QImage picture;
  };
  static Loaded read(const QString& path, const QString& about, double ratio);
  void loadOne();
  void take(int generation, const Loaded& loaded);

  QPushButton* back_;
  QPushButton* new_;
  QLabel* lastWords_;
  QGridLayout* last_;
  QGridLayout* demos_;
  std::vector<Waiting> waiting_;
  Later loading_{[this] { loadOne(); }, this};
  int generation_ = 0;  // of the cards; what was read for others is dropped
  bool isReading_ = false;
  std::jthread reading_;  // last, so that it ends before what it tells goes
};

}  // namespace pp
