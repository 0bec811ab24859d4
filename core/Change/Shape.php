<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;

/** What one has to say to ask for a change: its kind, what it is made to, and its further fields. The API is described by it. */
final readonly class Shape
{
    /** @param  array<string, Field>  $fields  by name, without kind and subject */
    private function __construct(public string $kind, public Subject $subject, public array $fields)
    {
    }

    public static function of(string $kind, Subject $subject, Field ...$fields): self
    {
        return new self($kind, $subject, array_column($fields, null, 'name'));
    }

    /**
     * @param  array<mixed>  $given  a change as it is asked for
     *
     * @throws InputRefused naming the first field of another type: what is of another type is never passed over
     */
    public function guard(array $given): void
    {
        if (isset($given['pages']) && ! $this->subject->takesSeveral()) {
            throw new InputRefused(
                'pages',
                $this->subject === Subject::Page
                    ? "The change {$this->kind} is made to one page: name it in `page`."
                    : "The change {$this->kind} takes no pages.",
            );
        }
        foreach ($this->fields as $name => $field) {
            if (array_key_exists($name, $given) && ! $field->fits($given[$name])) {
                throw new InputRefused($name, "This has to be {$field->typeInWords()}.");
            }
        }
    }
}
