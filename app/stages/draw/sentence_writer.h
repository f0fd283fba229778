// What the sentences of all kinds of assembly are written with.
#pragma once

#include <QObject>

#include "app/paint/figures.h"
#include "app/stages/draw/sentence.h"
#include "core/length/parse.h"

namespace pp {

// Writes about a body of type T; what the words do is said of a T.
template <class T>
class SentenceWriter {
 public:
  SentenceWriter(const Job& job, const T& body) : job_(job), body_(body), style_(styleOf(job)) {}

 protected:
  static QString tr(const char* text) { return QObject::tr(text); }

  Paragraph& begin() { return out_.emplace_back(); }
  void say(const QString& text) { out_.back().push_back({text, {}, {}, {}, {}, 0, {}, {}, {}}); }
  void length(const QString& name, Length value, std::function<void(T&, Length)> set) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = figure(value, style_);
    phrase.length = value;
    phrase.setLength = [set = std::move(set)](Assembly& a, Length l) {
      set(std::get<T>(a.body), l);
    };
    out_.back().push_back(phrase);
  }
  void length(const QString& name, Length T::*field) {
    length(name, body_.*field, [field](T& b, Length l) { b.*field = l; });
  }
  void choice(const QString& name, QStringList choices, int chosen,
              std::function<void(T&, int)> choose) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = choices.value(chosen);
    phrase.choices = std::move(choices);
    phrase.chosen = chosen;
    phrase.choose = [choose = std::move(choose)](Assembly& a, int i) {
      choose(std::get<T>(a.body), i);
    };
    out_.back().push_back(phrase);
  }
  void yesNo(const QString& name, const QString& no, const QString& yes, bool T::*field) {
    choice(name, {no, yes}, body_.*field ? 1 : 0, [field](T& b, int i) { b.*field = i == 1; });
  }
  // `none` is offered too where it has words.
  void material(const QString& name, const std::string& id,
                std::function<void(T&, const std::string&)> set, const QString& none = {}) {
    QStringList names;
    int chosen = 0;
    std::vector<std::string> ids;
    if (!none.isEmpty()) {
      names << none;
      ids.emplace_back();
    }
    for (const Material& material : job_.materials) {
      if (material.id == id) chosen = static_cast<int>(names.size());
      names << materialName(material, style_);
      ids.push_back(material.id);
    }
    choice(name, names, chosen,
           [ids, set = std::move(set)](T& b, int i) { set(b, ids[static_cast<std::size_t>(i)]); });
  }
  void material(const QString& name, std::string T::*field, const QString& none = {}) {
    material(
        name, body_.*field, [field](T& b, const std::string& id) { b.*field = id; }, none);
  }
  void banding(const QString& name, const std::string& current,
               std::function<void(T&, const std::string&)> set) {
    QStringList names = {tr("no banding")};
    std::vector<std::string> ids = {""};
    int chosen = 0;
    for (const Banding& banding : job_.bandings) {
      if (banding.name == current) chosen = static_cast<int>(names.size());
      names << qs(banding.name);
      ids.push_back(banding.name);
    }
    choice(name, names, chosen,
           [ids, set = std::move(set)](T& b, int i) { set(b, ids[static_cast<std::size_t>(i)]); });
  }
  void typedList(const QString& name, const QString& text,
                 std::function<Problems(T&, const QString&)> set) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = text.isEmpty() ? tr("nothing yet") : text;
    phrase.typed = text;
    phrase.setText = [set = std::move(set)](Assembly& a, const QString& t) {
      return set(std::get<T>(a.body), t);
    };
    out_.back().push_back(phrase);
  }
  void count(const QString& name, int value, int least, int most,
             std::function<void(T&, int)> set) {
    typedList(name, QString::number(value),
              [least, most, set = std::move(set)](T& b, const QString& text) -> Problems {
                const auto n = parseCount(text.trimmed().toStdString(), least, most);
                if (!n) return n.problems();
                set(b, static_cast<int>(*n));
                return {};
              });
  }
  void count(const QString& name, int T::*field, int least, int most) {
    count(name, body_.*field, least, most, [field](T& b, int n) { b.*field = n; });
  }

  const Job& job_;
  const T& body_;
  LengthStyle style_;
  std::vector<Paragraph> out_;
};

// One for every kind.
std::vector<Paragraph> describeCarcass(const Job& job, const Assembly& assembly,
                                       const std::optional<OpeningPath>& selected);
std::vector<Paragraph> describeGroup(const Job& job, const CarcassGroup& group);
std::vector<Paragraph> describeTop(const Job& job, const Top& top);
std::vector<Paragraph> describeBaseFrame(const Job& job, const BaseFrame& frame);
std::vector<Paragraph> describeWallPanel(const Job& job, const WallPanel& panel);
std::vector<Paragraph> describeSeatBox(const Job& job, const SeatBox& seat);
std::vector<Paragraph> describePlatform(const Job& job, const Platform& platform);
std::vector<Paragraph> describeRing(const Job& job, const Ring& ring);
std::vector<Paragraph> describeBoards(const Job& job, const Boards& boards);

}  // namespace pp
