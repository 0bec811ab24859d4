<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/**
 * What one try after the other says of a link to another site, and when it is tried next. One failure is no proof: only
 * what was gone twice, or could not be reached three times, counts as broken; only 410 says so at once (RFC 9110, 15.5.11).
 */
final readonly class OutsideLink
{
    private const HOUR = 3600;

    private const DAY = 86400;

    /** Seconds to the next try, after so many failures in a row. */
    private const AFTER_FAILURES = [1 => self::HOUR, 2 => 6 * self::HOUR, 3 => self::DAY];

    /** Seconds to the next try of what works, or cannot be told. */
    private const SETTLED = 7 * self::DAY;

    /** Answers of those who let no program look. */
    private const CLOSED_TO_PROGRAMS = [401, 403, 405, 407, 429, 451, 501, 999];

    /**
     * @param  int  $failures  in a row
     * @param  int  $wait  seconds to the next try
     */
    public function __construct(
        public OutsideState $state = OutsideState::Unknown,
        public int $failures = 0,
        public int $wait = 0,
        public string $says = '',
        public ?string $leadsTo = null,
    ) {
    }

    public function after(OutsideAttempt $attempt): self
    {
        $status = $attempt->status;

        return match (true) {
            $attempt->isForbidden => new self(says: 'It leads into a private network, so it is not tried.', wait: 4 * self::SETTLED),
            $status === null => $this->failed($attempt->fault, 3),
            $status >= 200 && $status < 300 => $attempt->permanentlyAt === null
                ? new self(OutsideState::Works, wait: self::SETTLED)
                : new self(OutsideState::Moved, 0, self::SETTLED, 'It has moved for good.', $attempt->permanentlyAt),
            $status === 410 => $this->failed('Gone for good (410).', 1),
            $status === 404 => $this->failed('Nothing is there (404).', 2),
            in_array($status, self::CLOSED_TO_PROGRAMS, true) => new self(
                $this->state === OutsideState::Broken ? OutsideState::Unknown : $this->state,
                0,
                self::patience($attempt->retryAfter, self::SETTLED),
                "It lets no program look ($status).",
                $this->leadsTo,
            ),
            default => $this->failed("It answers with an error ($status).", 3, $attempt->retryAfter),
        };
    }

    /** @param  int  $enough  failures in a row that count as broken */
    private function failed(string $says, int $enough, ?int $retryAfter = null): self
    {
        $failures = $this->failures + 1;
        $isBroken = $failures >= $enough || $this->state === OutsideState::Broken;

        return new self(
            $isBroken ? OutsideState::Broken : $this->state,
            $failures,
            self::patience($retryAfter, self::AFTER_FAILURES[$failures] ?? 3 * self::DAY),
            $says,
        );
    }

    /** What was asked for, up to what would be forgotten. */
    private static function patience(?int $asked, int $ours): int
    {
        return max($ours, min($asked ?? 0, 4 * self::SETTLED));
    }
}
