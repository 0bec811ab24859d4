<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Tree\PageKind;

/**
 * Says how a request is answered: by a rule that stands in front; by who holds the address at its normal form (a page, one
 * permanent redirect, RFC 9110, 15.4.2, to the stored spelling or to where the page is now, a rule, a record of being gone); by
 * the branch rule with the longest prefix; by the first pattern that matches; or not at all. Sections and pointers send on for
 * the time being (15.4.3), since where they lead may change.
 */
final readonly class Resolver
{
    /** Most steps followed. */
    public const HOPS = 10;

    /** Reserved addresses that have an answer of their own. */
    private const SYSTEM = '#^/(?:robots\.txt|favicon\.ico|_account/sign-in|sitemap(?:-[1-9][0-9]*)?\.xml)$#D';

    private RuleSet $set;

    public function __construct(private AddressRules $rules, private AddressLookup $answers, ?RuleSet $set = null)
    {
        $this->set = $set ?? RuleSet::none($rules);
    }

    /** @param  string  $asked a path or URL as the request spells it, with its query if any */
    public function resolve(string $asked): Resolution
    {
        return $this->answer($asked, new ResolutionTrace($asked));
    }

    /** A way on which visitors come back to a rule; null where they do not, as far as its samples say. */
    public function loopOf(Rule $rule): ?Resolution
    {
        foreach ($this->waysOf($rule) as $way) {
            if ($way->comesBackTo($rule)) {
                return $way;
            }
        }

        return null;
    }

    /** @return non-empty-list<Resolution> how the samples of a rule are answered, its own address or path first */
    public function waysOf(Rule $rule): array
    {
        return array_map($this->resolve(...), $rule->samples());
    }

    /**
     * How a request would be answered if a rule took it, whoever else might.
     *
     * @param  string  $asked  a request that the rule matches, with its query if any; nothing below a branch
     */
    public function through(Rule $rule, string $asked): Resolution
    {
        $way = new ResolutionTrace($asked);
        $address = Address::asked($asked, $this->rules);
        $way->normal = $address->path;
        $captures =
            $rule->scope === RuleScope::Pattern
                ? PathPattern::stored($rule->source)->match(NormalForm::bare($address->path, $this->rules), $this->rules->caseSensitive) ?? []
                : [];

        return $this->follow(new RuleMatch($rule, $captures), self::path($asked), $address->path, $way);
    }

    /** @param  string  $at  the address the way has come to */
    private function answer(string $at, ResolutionTrace $way): Resolution
    {
        try {
            $address = Address::asked($at, $this->rules);
        } catch (InvalidAddress $invalid) {
            return $way->ends(404, $invalid->reason);
        }
        $normal = $address->path;
        $way->normal ??= $normal;
        if (ReservedAddresses::includes($address)) {
            return preg_match(self::SYSTEM, $normal) === 1
                ? $way->arrives(200, $normal, 'The system answers here itself.')
                : $way->ends(404, 'Reserved by the system, and nothing is there.');
        }
        $from = $way->hops === [] ? self::path($at) : $normal;
        $front = $this->set->inFront($address, $way->query);
        if ($front !== null) {
            return $this->follow($front, $from, $normal, $way);
        }
        $held = $this->answers->at($address->key);
        $page = $held?->page;
        if ($held !== null && $page?->isLive === true) {
            return $this->toPage($held, $page, $from, $way);
        }
        $behind =
            $held?->rule !== null && $this->set->isActive($held->rule)
                ? new RuleMatch($held->rule)
                : ($held?->kind === ClaimKind::Gone
                    ? null
                    : $this->set->behind($address, $way->query));
        if ($behind !== null) {
            return $this->follow($behind, $from, $normal, $way);
        }

        return match (true) {
            $held?->kind === ClaimKind::Gone, $held?->kind === ClaimKind::Rule && $held->everLive => $way->ends(410, 'Recorded as gone.'),
            $held?->kind === ClaimKind::Rule => $way->ends(404, 'A redirect holds this address, and is off or out of its time.'),
            $held?->kind === ClaimKind::Bin => $way->ends(404, 'Kept for a page in the bin.'),
            $page !== null => $way->ends(404, "“{$page->name}” holds this address and is not live."),
            default => $way->ends(404, 'Nobody holds this address.'),
        };
    }

    private function toPage(AddressHolder $held, AnsweringPage $page, string $from, ResolutionTrace $way): Resolution
    {
        $to = $held->kind === ClaimKind::Redirect ? $page->address : $held->address;
        $why = match (true) {
            $held->kind === ClaimKind::Redirect => "“{$page->name}” is at another address.",
            $from !== $to => 'Another spelling of the stored address.',
            default => null,
        };
        if ($why !== null) {
            if ($held->kind === ClaimKind::Redirect && ! $way->mayGoOn("address {$held->address}")) {
                return $way->ends(404, 'The way on comes back to itself.');
            }
            $way->goes($from, $to.$way->query->text(), 301, $why);
        }

        return $this->leadOn($page, $to, $way);
    }

    /** @param  string  $normal  the address that the rule answers at */
    private function follow(RuleMatch $match, string $from, string $normal, ResolutionTrace $way): Resolution
    {
        $rule = $match->rule;
        $why = self::why($rule);
        if ($rule->answer === RuleAnswer::Gone) {
            return $way->ends(410, "$why It answers that this is gone.", $rule->id);
        }
        if (! $way->mayGoOn("address $normal{$way->query->text()}")) {
            return $way->ends(404, "$why The way comes back to itself, or takes more than ".self::HOPS.' steps.', $rule->id);
        }
        $page = $rule->target?->kind === TargetKind::Page ? $this->answers->page($rule->target->value) : null;
        $target = match ($rule->target?->kind) {
            TargetKind::Page => $page?->isLive === true ? $page->address : null,
            TargetKind::File => $this->answers->file($rule->target->value),
            default => $rule->target?->value,
        };
        if ($target === null) {
            return $way->ends(404, "$why What it leads to is not there for visitors.", $rule->id);
        }
        $to = (new Destination($match, $this->rules))->from($target, $way->query);
        if ($rule->answer === RuleAnswer::Pause) {
            $onward = $rule->target?->kind === TargetKind::Url ? $to : $this->answer($to, $way->onward($to))->location ?? $to;

            return $way->waits($normal.$way->query->text(), $rule, $onward);
        }
        $way->goes($from, $to, $rule->answer->status(), $why, $rule->id);
        $way->query = Query::in($to);

        return match ($rule->target?->kind) {
            TargetKind::Url => $way->arrives(null, $to, 'Answered elsewhere.'),
            TargetKind::File => $way->arrives(200, $to, 'A file.'),
            default => $page !== null && $match->rest === '' ? $this->leadOn($page, $page->address, $way) : $this->answer($to, $way),
        };
    }

    private static function why(Rule $rule): string
    {
        return match ($rule->scope) {
            RuleScope::One => $rule->inFront ? 'A redirect stands in front of this address.' : 'A redirect holds this address.',
            RuleScope::Branch => "The redirect of the branch {$rule->source} takes in this address.",
            RuleScope::Pattern => "The pattern {$rule->source} matches.",
        };
    }

    /** Goes on from a section to what is inside it, and from a pointer to where it points. */
    private function leadOn(AnsweringPage $page, string $at, ResolutionTrace $way): Resolution
    {
        // Whoever is sent to a page meets what stands in front of it.
        $front = $way->hops === [] ? null : $this->set->inFront(Address::stored($at, $this->rules), $way->query);
        if ($front !== null) {
            return $this->follow($front, $at, $at, $way);
        }
        if ($page->kind === PageKind::Page || $page->kind === PageKind::Download) {
            return $way->arrives(
                200,
                $at.$way->query->text(),
                $page->kind === PageKind::Page ? "The page “{$page->name}”." : "The file of “{$page->name}”.",
                $page,
            );
        }
        if (! $way->mayGoOn("page {$page->id}")) {
            return $way->ends(404, "The way on from “{$page->name}” comes back to itself.");
        }
        if ($page->kind === PageKind::Section) {
            $next = $this->answers->firstInside($page->id);

            return $next === null
                ? $way->ends(404, "The section “{$page->name}” has no live page inside.")
                : $this->step($at, $next, $way, "“{$page->name}” is a section; this is its first live page.");
        }
        $target = $page->leadsTo;
        $why = "“{$page->name}” is a pointer.";
        if ($target?->kind === TargetKind::Page) {
            $next = $this->answers->page($target->value);

            return $next === null || ! $next->isLive
                ? $way->ends(404, "“{$page->name}” points to a page that is not live.")
                : $this->step($at, $next, $way, $why);
        }
        if ($target?->kind === TargetKind::Address) {
            $way->goes($at, $target->value, 302, $why);

            return $this->answer($target->value, $way);
        }
        $elsewhere = $target?->kind === TargetKind::File ? $this->answers->file($target->value) : $target?->value;
        if ($elsewhere === null) {
            return $way->ends(404, "“{$page->name}” points to a file that is not there.");
        }
        $way->goes($at, $elsewhere, 302, $why);

        return $way->arrives(
            $target?->kind === TargetKind::File ? 200 : null,
            $elsewhere,
            $target?->kind === TargetKind::File ? 'A file.' : 'Answered elsewhere.',
        );
    }

    private function step(string $at, AnsweringPage $next, ResolutionTrace $way, string $why): Resolution
    {
        $way->goes($at, $next->address.$way->query->text(), 302, $why);

        return $this->leadOn($next, $next->address, $way);
    }

    /** The path as asked, before any normalising. */
    private static function path(string $asked): string
    {
        $path = (string) preg_replace('#^https?:[/\\\\]+[^/\\\\?\#]*#i', '', trim($asked, "\x00..\x20"));
        $path = substr($path, 0, strcspn($path, '?#'));

        return $path === '' ? '/' : $path;
    }
}
