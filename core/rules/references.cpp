// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/references.h"
#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"

#include <algorithm>

#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

// Collects the references of a line; the last word of a line is always an End.
class ReferenceReader {
  public:
    explicit ReferenceReader(const std::vector<Token>& tokens) : tokens_(tokens) {}

    std::vector<Reference> line() {
        const Token& first = tokens_[0];
        const bool isAssigned = at(1).is("=") || at(1).is(".");
        if (first.is("on"))
            expressionFrom(event());
        else if (first.is("every"))
            expressionFrom(3);  // a number and its unit
        else if (isAssigned || at(1).is("["))
            assignment();
        else if (first.is("when") || first.is("otherwise") || first.is("back"))
            expressionFrom(1);
        else if (first.is("go"))
            add(Reference::What::Screen, 1);
        else if (first.is("call"))
            expressionFrom(2);
        else if (first.is(kSoundHook))
            return {};
        else if (first.type == TokenType::Name && isAboutWidget(first.text))
            widgetPath(1, namesFrom(1));
        else
            expressionFrom(0);
        return std::move(found_);
    }

    std::vector<Reference> expression() {
        expressionFrom(0);
        return std::move(found_);
    }

  private:
    const Token& at(size_t i) const { return tokens_[std::min(i, tokens_.size() - 1)]; }

    void add(Reference::What what, size_t token, const std::string& owner = {}) {
        if (at(token).type == TokenType::Name)
            found_.push_back({what, token, owner});
    }

    // How many names with points between them begin at word i.
    size_t namesFrom(size_t i) const {
        size_t count = 0;
        while (at(i).type == TokenType::Name) {
            ++count;
            if (!at(i + 1).is("."))
                break;
            i += 2;
        }
        return count;
    }

    // [screen.]widget of so many names.
    void widgetPath(size_t i, size_t names) {
        if (names > 1) {
            add(Reference::What::Screen, i);
            add(Reference::What::Widget, i + 2, at(i).text);
        } else if (names == 1) {
            add(Reference::What::Widget, i);
        }
    }

    // What follows "on"; returns the position after it.
    size_t event() {
        const size_t names = namesFrom(1);
        if (names == 2 && findEvent(screenEvents(), at(3).text))
            add(Reference::What::Screen, 1);
        else if (names > 1)
            widgetPath(1, names - 1);
        return 1 + 2 * names;
    }

    // name = value, name[index] = value, widget.name = value, whatever the name is.
    void assignment() {
        if (at(0).type == TokenType::Name && !at(1).is("."))
            assigned_ = at(0).text;
        expressionFrom(0);
    }

    // A word in quotes is a choice of the variable that it is compared with, or that gets it.
    void choice(size_t i) {
        std::string variable = assigned_;
        if (i >= 2 && (at(i - 1).is("==") || at(i - 1).is("!="))) {
            size_t name = i - 2;
            for (int depth = 0; name > 0 && (at(name).is("]") || depth > 0); --name)
                depth += at(name).is("]") - at(name).is("[");
            variable = name > 0 && at(name - 1).is(".") ? std::string() : at(name).text;
        }
        if (!variable.empty())
            found_.push_back({Reference::What::Choice, i, variable});
    }

    void expressionFrom(size_t i) {
        int choices = 0;  // ? that wait for their :
        while (i + 1 < tokens_.size()) {
            choices += at(i).is("?") - at(i).is(":");
            if (choices < 0)
                return;  // what follows the : of an inset says how it is shown
            const size_t names = namesFrom(i);
            if (names == 2 && ((at(i).is(kClockName) && clockField(at(i + 2).text)) ||
                               isNameOfOutput(at(i).text + "." + at(i + 2).text)))
                ;
            else if (names > 1)
                widgetPath(i, names - 1);
            else if (names == 1 && !isValueWord(at(i).text) &&
                     !(isArrayWord(at(i).text) && at(i + 1).type == TokenType::Name))
                add(Reference::What::Variable, i);
            else if (at(i).type == TokenType::Text)
                choice(i);
            i += names > 0 ? 2 * names - 1 : 1;
        }
    }

    const std::vector<Token>& tokens_;
    std::string assigned_;  // the variable that gets a value
    std::vector<Reference> found_;
};

}  // namespace

std::vector<Reference> referencesInLine(const std::vector<Token>& tokens) { return ReferenceReader(tokens).line(); }
std::vector<Reference> referencesInExpression(const std::vector<Token>& tokens) {
    return ReferenceReader(tokens).expression();
}

}  // namespace gorsefinch
