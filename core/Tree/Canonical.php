<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\Target;

/** Which address a page names as the one that counts (RFC 6596): its own, another page's, one elsewhere, or none. */
final readonly class Canonical
{
    /** Itself, unless something else is said; read() is what says it. */
    public function __construct(public CanonicalKind $kind = CanonicalKind::Itself, public string $value = '')
    {
    }

    /**
     * @param  string  $text  `itself`, `none`, the identity of a page, or a whole http(s) URL
     *
     * @throws InputRefused when it is none of them
     */
    public static function read(string $text): self
    {
        $text = trim($text);
        if (Identity::names($text)) {
            return new self(CanonicalKind::Page, $text);
        }
        if (preg_match('#^https?://#i', $text) === 1) {
            try {
                return new self(CanonicalKind::Url, Target::url($text)->value);
            } catch (InputRefused $refused) {
                throw new InputRefused('canonical', $refused->reason, $refused->suggestion);
            }
        }

        return match ($text) {
            '', 'itself' => new self(CanonicalKind::Itself),
            'none' => new self(CanonicalKind::None),
            default => throw new InputRefused(
                'canonical',
                'A canonical address is `itself`, `none`, the identity of a page, or a whole URL that begins with https://.',
                'itself',
            ),
        };
    }

    /** As read() takes it. */
    public function toText(): string
    {
        return match ($this->kind) {
            CanonicalKind::Page, CanonicalKind::Url => $this->value,
            default => $this->kind->value,
        };
    }
}
