<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Looks at pages by every check, and knows who has to be looked at again after an edit. */
final readonly class Auditor
{
    /** @var array<string, Check> by code */
    private array $checks;

    /** @var array<string, CheckInfo> by code */
    private array $infos;

    /** @param  list<Check>  $checks */
    public function __construct(array $checks)
    {
        $infos = array_map(static fn (Check $check): CheckInfo => $check->info(), $checks);
        $codes = array_column($infos, 'code');
        $this->checks = array_combine($codes, $checks);
        $this->infos = array_combine($codes, $infos);
    }

    public static function complete(): self
    {
        return new self(Checks::all());
    }

    public function report(AuditedPage $page, AuditedSite $site): Report
    {
        $verdicts = [];
        foreach ($this->checks as $code => $check) {
            $verdicts[$code] = $this->infos[$code]->needsVisitors && ! $page->isLive ? Verdict::doesNotApply() : $check->on($page, $site);
        }

        return new Report($page->id, $verdicts, $this->infos);
    }

    /**
     * Pages besides the one edited whose findings may be others now. Found are those that share what it said or says,
     * that say nearly the same, and that name it or its address.
     *
     * @param  AuditedPage|null  $before  null for a page that was made
     * @param  AuditedPage|null  $after  null for one that is gone
     * @return list<string> each once
     */
    public function dependents(?AuditedPage $before, ?AuditedPage $after, AuditIndex $index): array
    {
        $id = ($after ?? $before)->id ?? '';
        $found = [];
        $held = self::held($before);
        $holds = self::held($after);
        foreach ([...array_diff($held, $holds), ...array_diff($holds, $held)] as $key) {
            foreach ($index->asking($key, $id) as $page) {
                $found[$page] = true;
            }
        }
        $said = self::fingerprint($before);
        $says = self::fingerprint($after);
        foreach ($said === $says ? [] : array_filter([$said, $says]) as $fingerprint) {
            foreach ($index->near($fingerprint, $id) as $page) {
                $found[$page] = true;
            }
        }
        if ($before?->face() !== $after?->face()) {
            foreach ($index->namingPage($id) as $page) {
                $found[$page] = true;
            }
            foreach ($index->namingAddresses(array_values(array_filter([$before?->address, $after?->address]))) as $page) {
                $found[$page] = true;
            }
        }
        unset($found[$id]);

        return array_map(strval(...), array_keys($found));
    }

    /** @return list<string> keys that a page holds */
    private static function held(?AuditedPage $page): array
    {
        return $page !== null && $page->counts() ? array_values($page->keys()) : [];
    }

    private static function fingerprint(?AuditedPage $page): int
    {
        return $page !== null && $page->counts() ? $page->fingerprint : 0;
    }
}
