<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Design\ReadLayouts;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\View\ViewException;

/** A page by the template of its layout. Where that fails, visitors get the page without what the layout adds, and the fault is logged. */
final readonly class PageView
{
    public function __construct(private Views $views)
    {
    }

    /** @param  array<string, mixed>  $shown  as ShowPage gives it */
    public function html(array $shown): string
    {
        try {
            return $this->views->make($shown['view'], $shown)->render();
        } catch (ViewException $fault) {
            report($fault);

            return $this->views->make('layout::'.ReadLayouts::PLAIN.'.page', $shown)->render();
        }
    }
}
