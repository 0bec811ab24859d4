<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\InputRefused;

/** The layouts that pages of a site may have. */
final readonly class Layouts
{
    /** @var array<string, Layout> by key */
    public array $all;

    /** @param  list<Layout>  $layouts  in the order in which they are offered; none where any is taken */
    public function __construct(array $layouts = [])
    {
        $this->all = array_column($layouts, null, 'key');
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->all));
    }

    /** One that is not there, or cannot be used, is one without fields. */
    public function of(string $key): Layout
    {
        return $this->all[$key] ?? new Layout($key, $key, '');
    }

    /** @throws InputRefused where there is no such layout */
    public function guard(string $key, string $field = 'layout'): void
    {
        if ($this->all !== [] && ! isset($this->all[$key])) {
            throw new InputRefused($field, 'A layout is one of '.implode(', ', $this->keys()).'.');
        }
    }
}
