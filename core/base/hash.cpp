// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/hash.h"

#include <QCryptographicHash>

namespace gorsefinch {

std::string sha256(std::string_view bytes) {
    const auto data = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
    return QCryptographicHash::hash(data, QCryptographicHash::Sha256).toHex().toStdString();
}

}  // namespace gorsefinch
