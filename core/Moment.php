<?php

declare(strict_types=1);

namespace Heronstem\Core;

/** A second in time, kept in UTC. Read in a site's zone where the text says none. */
final readonly class Moment
{
    private const FORMS = ['Y-m-d\TH:i:sp', 'Y-m-d\TH:ip', 'Y-m-d\TH:i:s.vp', '!Y-m-d\TH:i:s', '!Y-m-d\TH:i', '!Y-m-d'];

    /** @param  int  $seconds since 1970-01-01T00:00:00Z */
    private function __construct(public int $seconds)
    {
    }

    public static function at(int $seconds): self
    {
        return new self($seconds);
    }

    /**
     * ISO 8601, with an offset or `Z`, or without one for the zone's own clock; a date alone is its first second.
     * A time that the clock skips in spring is the one an hour later; of a time that comes twice, the first.
     *
     * @throws InputRefused naming the field
     */
    public static function read(string $typed, string $zone, string $field): self
    {
        foreach (self::FORMS as $form) {
            $read = \DateTimeImmutable::createFromFormat($form, trim($typed), new \DateTimeZone($zone));
            $problems = \DateTimeImmutable::getLastErrors();
            if ($read !== false && ($problems === false || $problems['warning_count'] === 0)) {
                return new self($read->getTimestamp());
            }
        }
        throw new InputRefused($field, 'This is not a date and time. Write it like 2027-05-03T06:00, in the time of the site.', '2027-05-03T06:00');
    }

    /** A moment as iso() wrote it. */
    public static function stored(string $iso): self
    {
        return new self((new \DateTimeImmutable($iso))->getTimestamp());
    }

    /** UTC, e.g. `2027-05-03T05:00:00Z`. */
    public function iso(): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $this->seconds);
    }

    public function isAfter(self $other): bool
    {
        return $this->seconds > $other->seconds;
    }
}
