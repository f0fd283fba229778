#include "app/paint/figures.h"

namespace pp {
namespace {

LengthStyle raised(LengthStyle style) {
  style.raised = true;
  return style;
}

}  // namespace

QString counted(std::int64_t n, const QString& one, const QString& many) {
  return QStringLiteral("%1 %2").arg(n).arg(n == 1 ? one : many);
}

QString qs(const std::string& text) {
  return QString::fromStdString(text);
}

QString figure(Length length, const LengthStyle& style) {
  return qs(format(length, raised(style)));
}

QString figureWithUnit(Length length, const LengthStyle& style) {
  return qs(formatWithUnit(length, raised(style)));
}

QString figures(Length a, Length b, const LengthStyle& style) {
  return figure(a, style) + QStringLiteral(" × ") + figure(b, style);
}

QString typed(Length length, const LengthStyle& style) {
  const std::string text = format(length, style);
  if (text.ends_with("+") || text.ends_with("−")) return qs(formatExact(length, style.unit));
  return qs(text);
}

QString materialName(const Material& material, const LengthStyle& style) {
  return qs(material.name) + QLatin1Char(' ') + figure(material.nominal, style);
}

}  // namespace pp
