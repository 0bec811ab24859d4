<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/** One try of a link to another site: the answer at the end of its redirects, or why there was none. */
final readonly class OutsideAttempt
{
    /**
     * @param  int|null  $status  of the last answer (RFC 9110); null where there was none
     * @param  string  $fault  why there was none, for people
     * @param  string|null  $permanentlyAt  where it leads, when every redirect on the way is permanent (301, 308)
     * @param  int|null  $retryAfter  seconds that were asked to be waited (RFC 9110, 10.2.3)
     * @param  bool  $isForbidden  it was not tried, since it leads into a private network
     */
    public function __construct(
        public ?int $status,
        public string $fault = '',
        public ?string $permanentlyAt = null,
        public ?int $retryAfter = null,
        public bool $isForbidden = false,
    ) {
    }
}
