<?php

declare(strict_types=1);

namespace App\Short;

use App\Http\Site\SitePolicy;
use App\Store\HitLog;
use App\Store\LedgerLookup;
use App\Store\RulesFile;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Resolver;
use PDO;

/**
 * Answers redirects and addresses at which nothing is without starting the framework: the same resolver over the same ledger, for
 * visitors like all others. Whatever else it may be, it leaves to the framework by answering null.
 */
final readonly class ShortPath
{
    /** Longest address that it looks at, in bytes. */
    private const LONGEST = 2000;

    /** @param  list<string>  $proxies  that are believed when they say that they were asked by https */
    public function __construct(
        private PDO $pdo,
        private RulesFile $rules,
        private HitLog $hits,
        private MissedPages $missed,
        private array $proxies = [],
        private int $hsts = 0,
    ) {
    }

    /**
     * @param  array<mixed>  $server  as PHP has it of the request
     * @param  array<mixed>  $cookies
     */
    public function answer(array $server, array $cookies, int $now): ?ShortAnswer
    {
        $asked = $server['REQUEST_URI'] ?? '';
        $host = $server['HTTP_HOST'] ?? '';
        $isMeant =
            in_array($server['REQUEST_METHOD'] ?? '', ['GET', 'HEAD'], true) &&
            is_string($asked) &&
            is_string($host) &&
            strlen($asked) <= self::LONGEST &&
            ($asked[0] ?? '') === '/' &&
            ! str_starts_with($asked, '/_') &&
            // Files that search engines prove a site by.
            preg_match('#^/[0-9a-f]{32}\.txt$#D', $asked) !== 1 &&
            Anybody::asks($server, $cookies);
        if (! $isMeant) {
            return null;
        }
        $known = ShortSite::known($host);
        $site = $known ?? ShortSite::at($host, $this->pdo);
        [$resolution, $answer, $isRight] = $this->tried($site, $server, $asked, $now);
        if ($known !== null && ! $isRight) {
            // Its settings have changed since.
            $site = ShortSite::at($host, $this->pdo);
            [$resolution, $answer] = $this->tried($site, $server, $asked, $now);
        }
        if ($site === null || $resolution === null || $answer === null) {
            return null;
        }
        $said = static fn (string $name): string => is_string($server[$name] ?? null) ? $server[$name] : '';
        $origin = RequestOrigin::of($said('HTTP_USER_AGENT'), $said('HTTP_REFERER'), (string) preg_replace('/:\d+$/D', '', $host));
        $this->hits->answered($resolution, $origin, $site->id, $site->rules);

        return $answer->with([
            ...SitePolicy::headers(),
            ...$site->isSecure && $this->hsts > 0 ? ['Strict-Transport-Security' => "max-age={$this->hsts}"] : [],
        ]);
    }

    /**
     * @param  array<mixed>  $server
     * @return array{Resolution|null, ShortAnswer|null, bool} how it is answered, the answer where it can be given here, and whether the
     *                                                        site is as it was known to be
     */
    private function tried(?ShortSite $site, array $server, string $asked, int $now): array
    {
        if ($site === null) {
            return [null, null, false];
        }
        $set = $this->rules->read($this->rules->version($site->id, $site->ulid, $site->rulesVersion, $site->rules), $site->rules, $now);
        if ($set === null) {
            return [null, null, false];
        }
        $lookup = new LedgerLookup($this->pdo, $site->id);
        $resolution = (new Resolver($site->rules, $lookup, $set))->resolve($asked);
        $answer = match (true) {
            // What asks by http for a site by https is sent there first.
            $site->isSecure && ! $this->isSecure($server) => null,
            ! $lookup->hasMetGate() => $this->of($resolution, $site, $now),
            // Answered as fast, and in every respect, as what is not there: else it would tell that it is.
            $lookup->hasMetOnlyHidden() => $this->missed(404, $resolution, $site, $now),
            // Who gets in depends on who asks.
            default => null,
        };
        // A rule that stands in front answers without a look at the ledger.
        $lookup->stamp() ?? $lookup->at('/');

        return [$resolution, $answer, $lookup->stamp() === $site->stamp];
    }

    private function of(Resolution $resolution, ShortSite $site, int $now): ?ShortAnswer
    {
        $sends = $resolution->sendsWith();
        if ($sends !== null) {
            $location = (string) $resolution->location;

            // What HTTP has no room for is the framework's to refuse.
            return preg_match('/[^\x21-\x7e]/', $location) === 1 ? null : new ShortAnswer($sends, '', ['Location' => $location]);
        }
        if ($resolution->pause !== null || ! in_array($resolution->status, [404, 410], true)) {
            return null;
        }

        return $this->missed($resolution->status, $resolution, $site, $now);
    }

    private function missed(int $status, Resolution $resolution, ShortSite $site, int $now): ?ShortAnswer
    {
        $html = $this->missed->kept($site->id, $status, $resolution->normal === '' ? '/' : $resolution->normal, $now);

        return $html === null ? null : new ShortAnswer($status, $html, ['Content-Type' => 'text/html; charset=utf-8']);
    }

    /** @param  array<mixed>  $server */
    private function isSecure(array $server): bool
    {
        return ($server['HTTPS'] ?? '') === 'on' ||
            (($server['HTTP_X_FORWARDED_PROTO'] ?? '') === 'https' && in_array($server['REMOTE_ADDR'] ?? '', $this->proxies, true));
    }
}
