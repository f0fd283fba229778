// The sentence on the screen: every changeable word is a button that turns into a field or a menu
// in its place.
#pragma once

#include <QWidget>
#include <functional>

#include "app/stages/draw/sentence.h"

namespace pp {

class SentenceView : public QWidget {
  Q_OBJECT
 public:
  explicit SentenceView(QWidget* parent = nullptr);
  // Shows the paragraphs; keeps the keyboard on the word of the same name.
  void setParagraphs(std::vector<Paragraph> paragraphs, const LengthStyle& style);

 signals:
  // A word was changed: `apply` does it to a carcass. Problems from it are shown by who listens.
  void changed(const QString& name, const std::function<pp::Problems(pp::Assembly&)>& apply);
  void refused(const pp::Problems& problems);
  void touched(const QString& name, pp::Length length);  // a length got the keyboard

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void add(QWidget* paragraph, const Phrase& phrase);
  void press(const Phrase& phrase, QWidget* button);
  void editInPlace(const Phrase& phrase, QWidget* button);
  void commit(const Phrase& phrase, const QString& text);

  LengthStyle style_;
};

}  // namespace pp
