// The sentence on the screen: every changeable word is a button that turns into a field or a menu
// in its place.
#pragma once

#include <QPushButton>
#include <QWidget>
#include <cstdint>
#include <functional>

#include "app/sentences/sentence.h"
#include "app/session/session.h"

namespace pp {

class SentenceView : public QWidget {
  Q_OBJECT
 public:
  explicit SentenceView(Session& session, QWidget* parent = nullptr);
  ~SentenceView() override { session_.modes().end(this); }
  // Shows the paragraphs; keeps the keyboard on the word of the same name.
  void setParagraphs(std::vector<Paragraph> paragraphs, const LengthStyle& style);
  // What the paragraphs are about has changed: until there are new ones, no word of theirs does
  // anything, nor does a menu or a field that is still open.
  void expire() { ++generation_; }
  // Puts the keyboard on the first word, where there is one.
  void focusFirst();
  // Tab comes to the words, in their order, after that widget of the same window.
  void setTabAfter(QWidget* before) { tabAfter_ = before; }

 signals:
  // A word was changed: `apply` does it. Problems from it are shown by who listens.
  void changed(const QString& name, const std::function<pp::Problems(pp::Edited&)>& apply);
  void refused(const pp::Problems& problems);
  void touched(const QString& name, pp::Length length);  // a length got the keyboard

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void add(QWidget* paragraph, const Phrase& phrase);
  void pressed(const Phrase& phrase, QWidget* button);
  void press(const Phrase& phrase, QWidget* button);
  void editInPlace(const Phrase& phrase, QWidget* button);
  void commit(const Phrase& phrase, const QString& text);

  Session& session_;
  LengthStyle style_;
  QWidget* tabAfter_ = nullptr;
  std::uint64_t generation_ = 0;
  std::vector<QPushButton*> words_;  // in their order
  QString wanted_;  // the word that was pressed while its paragraph was being worked out anew
};

}  // namespace pp
