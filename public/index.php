<?php

declare(strict_types=1);

use App\Short\ShortStart;
use Illuminate\Http\Request;

define('LARAVEL_START', microtime(true));
require __DIR__.'/../app/Short/ShortStart.php';
// Redirects, and addresses at which nothing is, need no framework.
if (ShortStart::answers($_SERVER, $_COOKIE)) {
    return;
}
require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->handleRequest(Request::capture());
