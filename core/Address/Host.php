<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * Where a site is reached: host in its ASCII form, with a port when it is not the usual one.
 *
 * @see https://www.unicode.org/reports/tr46/ UTS 46, non-transitional processing
 */
final readonly class Host
{
    private const OPTIONS = IDNA_NONTRANSITIONAL_TO_ASCII | IDNA_CHECK_BIDI | IDNA_CHECK_CONTEXTJ | IDNA_USE_STD3_RULES;

    private function __construct(public string $ascii, public ?int $port)
    {
    }

    /**
     * @param  string  $typed  host, or host and port, in any spelling
     *
     * @throws InvalidAddress when no host can have that name
     */
    public static function of(string $typed): self
    {
        if (preg_match('/^(.+?)(?::(\d{1,5}))?$/Dsu', trim($typed), $parts) !== 1) {
            throw new InvalidAddress('host', 'A host is a name such as www.skerrivane.example, with a port after a colon if need be.');
        }
        $name = rtrim($parts[1], '.');
        $ascii = $name === '' || preg_match('/^[0-9.]+$/D', $name) === 1 ? $name : idn_to_ascii($name, self::OPTIONS, INTL_IDNA_VARIANT_UTS46);
        if (! is_string($ascii) || $ascii === '' || strlen($ascii) > 253) {
            throw new InvalidAddress('host', "“{$parts[1]}” is not a possible host name.");
        }
        $port = isset($parts[2]) ? (int) $parts[2] : null;
        if ($port !== null && ($port < 1 || $port > 65535)) {
            throw new InvalidAddress('host', 'A port is a number from 1 to 65535.');
        }

        return new self($ascii, $port);
    }

    /** As it stands in a URL. */
    public function authority(): string
    {
        return $this->ascii.($this->port === null ? '' : ':'.$this->port);
    }
}
