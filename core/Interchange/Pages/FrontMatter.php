<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** What stands in front of a text between two lines of `---`, in YAML. */
final readonly class FrontMatter
{
    /**
     * @param  array<string, mixed>  $said
     * @param  string|null  $fault  why it could not be read
     */
    private function __construct(public array $said, public string $text, public ?string $fault)
    {
    }

    public static function of(string $file): self
    {
        if (preg_match('/^---[ \t]*\R(.*?)(?:^|\R)---[ \t]*(?:\R|$)(.*)$/sD', $file, $of) !== 1) {
            return new self([], $file, null);
        }
        try {
            // Neither objects nor constants: texts, numbers, lists and maps.
            $said = strlen($of[1]) > 100_000 ? null : Yaml::parse($of[1], Yaml::PARSE_EXCEPTION_ON_INVALID_TYPE);
        } catch (ParseException $no) {
            return new self([], $of[2], 'The lines between --- are not valid YAML: '.$no->getMessage());
        }

        return is_array($said) || $said === null || $said === ''
            ? new self(array_combine(array_map(strval(...), array_keys((array) $said)), array_values((array) $said)), $of[2], null)
            : new self([], $of[2], 'The lines between --- are not a list of names with values.');
    }

    public function text(string ...$names): ?string
    {
        foreach ($names as $name) {
            $value = $this->said[$name] ?? null;
            if (is_scalar($value) && trim((string) $value) !== '') {
                return is_bool($value) ? ($value ? 'yes' : 'no') : trim((string) $value);
            }
        }

        return null;
    }

    public function flag(string $name): ?bool
    {
        $value = $this->said[$name] ?? null;

        return is_bool($value) ? $value : (in_array($value, ['yes', 'no'], true) ? $value === 'yes' : null);
    }

    /** @return list<string>|null */
    public function texts(string ...$names): ?array
    {
        foreach ($names as $name) {
            $value = $this->said[$name] ?? null;
            if ($value !== null) {
                return array_values(array_map(strval(...), array_filter(is_array($value) ? $value : [$value], is_scalar(...))));
            }
        }

        return null;
    }
}
