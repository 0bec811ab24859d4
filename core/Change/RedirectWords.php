<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;

/** How the history tells what a redirect does: from where, and to what. */
final class RedirectWords
{
    /** From where, and to what; of what answers 410, that it does. */
    public static function made(Rule $rule, Outcome $outcome): string
    {
        $source = Wording::name(NormalForm::readable($rule->source));

        return $rule->answer === RuleAnswer::Gone || $rule->target === null
            ? "Set $source to return 410 (gone)"
            : "Redirected $source to ".self::target($rule->target, $outcome);
    }

    public static function target(Target $target, Outcome $outcome): string
    {
        return match ($target->kind) {
            TargetKind::Page => $outcome->page($target->value),
            TargetKind::File => 'a file',
            TargetKind::Address, TargetKind::Url => Wording::name(NormalForm::readable($target->value)),
        };
    }
}
