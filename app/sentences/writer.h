// What the sentences of all kinds of assembly are written with.
#pragma once

#include <QObject>

#include "app/sentences/kinds.h"
#include "core/length/parse.h"
#include "words/figures.h"
#include "words/said.h"

namespace pp {

// Writes about a T of an assembly, its body where nothing else is said; what the words do is said
// of a T, which `reach` finds.
template <class T>
class SentenceWriter {
 public:
  SentenceWriter(
      const Job& job, const T& body,
      std::function<T&(Edited&)> reach = [](Edited& e) -> T& {
        return std::get<T>(e.assembly.body);
      })
      : job_(job), body_(body), style_(styleOf(job)), reach_(std::move(reach)) {}

 protected:
  static QString tr(const char* text) { return QObject::tr(text); }

  Paragraph& begin() { return out_.emplace_back(); }
  void say(const QString& text) { out_.back().push_back({text, {}, {}, {}, {}, 0, {}, {}, {}}); }
  void length(const QString& name, Length value, std::function<void(T&, Length)> set) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = figure(value, style_);
    phrase.length = value;
    phrase.setLength = [set = std::move(set), reach = reach_](Edited& e, Length l) {
      set(reach(e), l);
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
    phrase.choose = [choose = std::move(choose), reach = reach_](Edited& e, int i) {
      choose(reach(e), i);
    };
    out_.back().push_back(phrase);
  }
  template <class E>
  void choice(const QString& name, E value, std::function<void(T&, E)> set) {
    choice(name, said<E>(), static_cast<int>(value),
           [set = std::move(set)](T& b, int i) { set(b, static_cast<E>(i)); });
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
      if (banding.id == current) chosen = static_cast<int>(names.size());
      names << qs(banding.name);
      ids.push_back(banding.id);
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
    phrase.setText = [set = std::move(set), reach = reach_](Edited& e, const QString& t) {
      return set(reach(e), t);
    };
    out_.back().push_back(phrase);
  }
  // A length of its own, or what `ruled` says.
  void ownLength(const QString& name, const std::optional<Length>& own, const QString& ruled,
                 std::function<void(T&, std::optional<Length>)> set) {
    typedList(
        name, own ? typed(*own, style_) : ruled,
        [ruled, unit = style_.unit, set = std::move(set)](T& b, const QString& text) -> Problems {
          if (text.trimmed().isEmpty() || text == ruled) {
            set(b, std::nullopt);
            return {};
          }
          const auto length = parseExpression(text.toStdString(), unit);
          if (!length) return length.problems();
          set(b, length.value());
          return {};
        });
  }
  // Lengths with commas between them; none yet.
  void readings(const QString& name, const std::vector<Length>& lengths,
                std::function<void(T&, std::vector<Length>)> set) {
    QStringList words;
    for (const Length one : lengths) words << typed(one, style_);
    typedList(name, words.isEmpty() ? tr("nothing yet") : words.join(QStringLiteral(", ")),
              [unit = style_.unit, set = std::move(set)](T& t, const QString& text) -> Problems {
                std::vector<Length> out;
                if (text.trimmed() != tr("nothing yet"))
                  for (const QString& word : text.split(QLatin1Char(','), Qt::SkipEmptyParts)) {
                    const auto length = parseExpression(word.trimmed().toStdString(), unit);
                    if (!length) return length.problems();
                    out.push_back(length.value());
                  }
                set(t, std::move(out));
                return {};
              });
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

  void ownFinish(const QString& name, std::optional<Finish> finish,
                 std::function<void(T&, std::optional<Finish>)> set) {
    choice(name, QStringList{tr("finished as the rest")} + said<Finish>(),
           finish ? 1 + static_cast<int>(*finish) : 0, [set = std::move(set)](T& b, int i) {
             set(b, i == 0 ? std::nullopt : std::optional(static_cast<Finish>(i - 1)));
           });
  }
  // Of a body that has a face frame, from its material on.
  void faceFrame(const QString& does) {
    const FaceFrame& frame = *body_.frame;
    const auto measure = [this](const QString& name, Length value, Length FaceFrame::*field) {
      length(name, value, [field](T& b, Length l) { (*b.frame).*field = l; });
    };
    say(tr("of"));
    material(tr("frame material"), frame.material,
             [](T& b, const std::string& id) { b.frame->material = id; });
    say(tr("%1: stiles").arg(does));
    measure(tr("stile width"), frame.stile, &FaceFrame::stile);
    say(tr("wide, rails"));
    measure(tr("rail width"), frame.rail, &FaceFrame::rail);
    choice(tr("lower rail"), {tr("at the top only"), tr("at top and foot")},
           frame.lowerRail ? 1 : 0, [](T& b, int i) { b.frame->lowerRail = i == 1; });
    say(tr(", members between openings"));
    measure(tr("middle member width"), frame.middle, &FaceFrame::middle);
    say(tr(", placed"));
    choice<FrameMiddle>(tr("middle members"), frame.middleAt,
                        [](T& b, FrameMiddle i) { b.frame->middleAt = i; });
    say(tr(". It hangs over"));
    measure(tr("left overhang"), frame.overhangLeft, &FaceFrame::overhangLeft);
    say(tr("on the left and"));
    measure(tr("right overhang"), frame.overhangRight, &FaceFrame::overhangRight);
    say(tr("on the right, goes on"));
    choice<FrameFixing>(tr("frame fixing"), frame.fixing,
                        [](T& b, FrameFixing i) { b.frame->fixing = i; });
    if (frame.fixing == FrameFixing::Tongue)
      measure(tr("tongue"), frame.tongue, &FaceFrame::tongue);
    say(tr(", and the depth typed"));
    choice(tr("depth and frame"), {tr("leaves it out"), tr("includes it")},
           frame.depthIncludes ? 1 : 0, [](T& b, int i) { b.frame->depthIncludes = i == 1; });
    say(tr(". It is"));
    ownFinish(tr("frame finish"), frame.finish,
              [](T& b, std::optional<Finish> finish) { b.frame->finish = finish; });
    say(tr("."));
  }

  const Job& job_;
  const T& body_;
  LengthStyle style_;
  std::function<T&(Edited&)> reach_;
  std::vector<Paragraph> out_;
};

}  // namespace pp
