// What is cut into a board, said with every size changeable.
#pragma once

#include <array>

#include "app/sentences/degrees.h"
#include "app/sentences/writer.h"

namespace pp {

// A feature of the kind that fits a board of that size, to be changed afterwards.
Feature begunFeature(FeatureKind kind, Length length, Length width, Length thickness);

// Finds the features of a T.
template <class T>
using FeaturesOf = std::function<std::vector<Feature>&(T&)>;

template <class T>
class FeatureWriter : public SentenceWriter<T> {
 public:
  using SentenceWriter<T>::SentenceWriter;

 protected:
  using SentenceWriter<T>::say;
  using SentenceWriter<T>::tr;

  // How the lower and upper edge and the first and far end of the board are called.
  std::array<QString, 4> edges_ = {tr("the lower edge"), tr("the upper edge"), tr("the first end"),
                                   tr("the far end")};

  // What is there, and the offer of one more. `of`: whose they are, as words end with it.
  void features(const std::vector<Feature>& all, const QString& of, FeaturesOf<T> reach,
                Length length, Length width, Length thickness) {
    for (std::size_t k = 0; k < all.size(); ++k) feature(all[k], k, of, reach);
    QStringList more = {tr("and nothing more")};
    for (const QString& kind : said<FeatureKind>()) more << tr("and a %1").arg(kind);
    this->choice(tr("more cut into it %1").arg(of).trimmed(), more, 0,
                 [reach, length, width, thickness](T& t, int chosen) {
                   if (chosen > 0)
                     reach(t).push_back(begunFeature(static_cast<FeatureKind>(chosen - 1), length,
                                                     width, thickness));
                 });
  }

 private:
  // One feature: where its words find it.
  struct At {
    QString where;
    std::size_t index;
    FeaturesOf<T> reach;
    Feature& operator()(T& t) const { return reach(t)[index]; }
  };

  void measure(const QString& name, const At& at, const Feature& one, Length Feature::*field) {
    this->length(QStringLiteral("%1 %2").arg(name, at.where), one.*field,
                 [at, field](T& t, Length l) { at(t).*field = l; });
  }
  void flag(const QString& name, const At& at, const Feature& one, bool Feature::*field,
            const QString& no, const QString& yes) {
    this->choice(QStringLiteral("%1 %2").arg(name, at.where), {no, yes}, one.*field ? 1 : 0,
                 [at, field](T& t, int i) { at(t).*field = i == 1; });
  }
  void edge(const At& at, const Feature& one) {
    this->choice(tr("edge of %1").arg(at.where), QStringList(edges_.begin(), edges_.end()),
                 static_cast<int>(one.edge),
                 [at](T& t, int e) { at(t).edge = static_cast<BoardEdge>(e); });
  }
  void face(const At& at, const Feature& one) {
    say(tr("in"));
    this->template choice<Face>(tr("face of %1").arg(at.where), one.face,
                                [at](T& t, Face f) { at(t).face = f; });
  }
  void along(const At& at, const Feature& one) {
    measure(tr("along of"), at, one, &Feature::along);
    fromEnd(at, one);
  }
  void fromEnd(const At& at, const Feature& one) {
    flag(tr("end of"), at, one, &Feature::farEnd, tr("from %1").arg(edges_[2]),
         tr("from %1").arg(edges_[3]));
  }
  void across(const At& at, const Feature& one) {
    measure(tr("across of"), at, one, &Feature::across);
    flag(tr("side of"), at, one, &Feature::farEdge, tr("from %1").arg(edges_[0]),
         tr("from %1").arg(edges_[1]));
  }
  void deep(const At& at, const Feature& one) {
    measure(tr("depth of"), at, one, &Feature::depth);
    say(one.depth == Length{} ? tr("deep, which is through,") : tr("deep"));
    face(at, one);
  }
  void kept(const At& at, const Feature& one) {
    say(tr(", stopped"));
    measure(tr("first stop of"), at, one, &Feature::keepLow);
    say(tr("and"));
    measure(tr("last stop of"), at, one, &Feature::keepHigh);
    say(tr("from its ends"));
  }

  void feature(const Feature& one, std::size_t k, const QString& of, const FeaturesOf<T>& reach) {
    const QString name = said(one.kind);
    const At at{QStringLiteral("%1 %2 %3").arg(name).arg(k + 1).arg(of).trimmed(), k, reach};
    say(tr(","));
    this->choice(at.where, {name, tr("take it out")}, 0, [reach, k](T& t, int chosen) {
      auto& all = reach(t);
      if (chosen == 1) all.erase(all.begin() + static_cast<std::ptrdiff_t>(k));
    });
    switch (one.kind) {
      case FeatureKind::HoleRow:
        say(tr("of"));
        this->count(tr("number of %1").arg(at.where), static_cast<int>(one.count), 2, 1'000,
                    [at](T& t, int n) { at(t).count = n; });
        say(tr("every"));
        measure(tr("pitch of"), at, one, &Feature::pitch);
        flag(tr("way of"), at, one, &Feature::crosswise, tr("along the board"),
             tr("across the board"));
        say(tr(", the first"));
        [[fallthrough]];
      case FeatureKind::Hole:
        measure(tr("width of"), at, one, &Feature::size);
        say(tr("wide at"));
        along(at, one);
        say(tr("and"));
        across(at, one);
        say(tr(","));
        return deep(at, one);
      case FeatureKind::Slot:
        measure(tr("width of"), at, one, &Feature::size);
        say(tr("wide,"));
        measure(tr("length of"), at, one, &Feature::length);
        say(tr("long, its middle at"));
        along(at, one);
        say(tr("and"));
        across(at, one);
        say(tr(","));
        return deep(at, one);
      case FeatureKind::Notch:
        measure(tr("length of"), at, one, &Feature::length);
        say(tr("by"));
        measure(tr("width of"), at, one, &Feature::width);
        say(tr("at"));
        along(at, one);
        say(tr("and"));
        return across(at, one);
      case FeatureKind::Dado:
      case FeatureKind::Groove:
        measure(tr("width of"), at, one, &Feature::size);
        say(tr("wide,"));
        deep(at, one);
        say(tr("at"));
        one.kind == FeatureKind::Dado ? along(at, one) : across(at, one);
        return kept(at, one);
      case FeatureKind::Rabbet:
        measure(tr("width of"), at, one, &Feature::size);
        say(tr("wide,"));
        deep(at, one);
        say(tr("along"));
        edge(at, one);
        return kept(at, one);
      case FeatureKind::Taper:
        flag(tr("what tapers of"), at, one, &Feature::thickness, tr("of its width"),
             tr("of its thickness"));
        if (one.thickness)
          face(at, one);
        else
          edge(at, one);
        say(tr("from"));
        measure(tr("first width of"), at, one, &Feature::across);
        say(tr("to"));
        measure(tr("last width of"), at, one, &Feature::size);
        say(tr(", beginning"));
        measure(tr("along of"), at, one, &Feature::along);
        return fromEnd(at, one);
      case FeatureKind::Curve:
        flag(tr("way of"), at, one, &Feature::bulging, tr("hollow by"), tr("bulging by"));
        measure(tr("hollow of"), at, one, &Feature::depth);
        say(tr("along"));
        edge(at, one);
        say(tr("from"));
        measure(tr("along of"), at, one, &Feature::along);
        flag(tr("end of"), at, one, &Feature::farEnd, tr("from its first end"),
             tr("from its far end"));
        say(tr("over"));
        measure(tr("length of"), at, one, &Feature::length);
        if (one.length == Length{}) say(tr("(to the end)"));
        return;
      case FeatureKind::Corner:
        say(tr("of radius"));
        measure(tr("radius of"), at, one, &Feature::size);
        flag(tr("end of"), at, one, &Feature::farEnd, tr("at %1").arg(edges_[2]),
             tr("at %1").arg(edges_[3]));
        return flag(tr("side of"), at, one, &Feature::farEdge, tr("and %1").arg(edges_[0]),
                    tr("and %1").arg(edges_[1]));
      case FeatureKind::RoundEnd:
        say(tr("of radius"));
        measure(tr("radius of"), at, one, &Feature::size);
        if (one.size == Length{}) say(tr("(half the width)"));
        return flag(tr("end of"), at, one, &Feature::farEnd, tr("at %1").arg(edges_[2]),
                    tr("at %1").arg(edges_[3]));
      case FeatureKind::Recess:
        measure(tr("length of"), at, one, &Feature::length);
        say(tr("by"));
        measure(tr("width of"), at, one, &Feature::width);
        say(tr("at"));
        along(at, one);
        say(tr("and"));
        across(at, one);
        say(tr(", corners of radius"));
        measure(tr("radius of"), at, one, &Feature::size);
        say(tr(","));
        return deep(at, one);
      case FeatureKind::RoundOver:
      case FeatureKind::Chamfer:
        say(tr("of"));
        measure(tr("size of"), at, one, &Feature::size);
        say(tr("along"));
        edge(at, one);
        face(at, one);
        flag(tr("faces of"), at, one, &Feature::bothFaces, tr("alone"), tr("and in the other"));
        return flag(tr("when of"), at, one, &Feature::assembled, tr("before it is put in"),
                    tr("when it has been put in"));
      case FeatureKind::Bevel:
        this->typedList(tr("angle of %1").arg(at.where), degreesText(one.angle),
                        [at](T& t, const QString& text) {
                          return setDegrees(text, [&](Angle a) { at(t).angle = a; });
                        });
        say(tr("along"));
        return edge(at, one);
    }
  }
};

}  // namespace pp
