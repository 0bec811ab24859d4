<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Design\ReadLayouts;
use App\Desk\Design\SiteDesign;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\View\ViewException;

/** A page by the template of its layout. Where that fails, visitors get it as it ships, or without what the layout adds, and the fault is logged. */
final readonly class PageView
{
    public function __construct(private Views $views, private SiteDesign $design)
    {
    }

    /** @param  array<string, mixed>  $shown  as ShowPage gives it */
    public function html(array $shown): string
    {
        return $this->design->during($shown['site'], function () use ($shown): string {
            if (! $this->design->isLaid()) {
                return $this->asShips($shown);
            }
            try {
                return $this->of($shown['view'], $shown);
            } catch (ViewException $fault) {
                report($fault);

                return $this->design->aside(fn (): string => $this->asShips(['styles' => ['ships' => true, 'own' => null]] + $shown));
            }
        });
    }

    /** @param  array<string, mixed>  $shown */
    private function asShips(array $shown): string
    {
        try {
            return $this->of($shown['view'], $shown);
        } catch (ViewException $fault) {
            report($fault);

            return $this->of('layout::'.ReadLayouts::PLAIN.'.page', $shown);
        }
    }

    /** @param  array<string, mixed>  $shown */
    private function of(string $view, array $shown): string
    {
        return $this->views->make($view, $shown)->render(); // @phpstan-ignore argument.type (a layout's, by its name)
    }
}
