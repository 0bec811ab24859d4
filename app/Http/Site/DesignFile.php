<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Design\SiteDesign;
use App\Models\Site;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** A style, font or picture of a site's design. */
final class DesignFile
{
    /** Null where the design has none of this name. */
    public static function of(Site $site, string $name, Request $request): ?BinaryFileResponse
    {
        $file = SiteDesign::file($site, rawurldecode($name));
        if ($file === null) {
            return null;
        }
        [$path, $type] = $file;
        $response = new BinaryFileResponse($path, 200, ['Content-Type' => $type]);
        $response->setAutoEtag();
        // Named with what it holds it may be kept for good.
        $request->query->has('v') ? $response->setMaxAge(31_536_000)->setImmutable() : $response->setMaxAge(3600);

        return $response->setPublic();
    }
}
