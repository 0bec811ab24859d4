<?php

declare(strict_types=1);

namespace App\Short;

/** Whether a request comes from somebody whom nothing tells apart from others, as the web server in front and the cookies have it. */
final class Anybody
{
    /** Cookies of those whose pages are their own. The web server knows them as well: launch/NginxConfig.php. */
    public const PERSONAL = ['heronstem_visitor', 'heronstem_opened', 'heronstem_plan'];

    /**
     * @param  array<mixed>  $server  as PHP has it of the request
     * @param  array<mixed>  $cookies
     */
    public static function asks(array $server, array $cookies): bool
    {
        return ($server['INSIDER'] ?? '0') !== '1' && array_intersect(self::PERSONAL, array_keys($cookies)) === [];
    }
}
