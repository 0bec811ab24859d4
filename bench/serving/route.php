<?php

declare(strict_types=1);

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;

// What a page is measured against: a route of the same framework that does nothing.
require dirname(__DIR__, 2).'/vendor/autoload.php';
$app = require dirname(__DIR__, 2).'/bootstrap/app.php';
$app->booted(static function (): void {
    Route::get('bare', static fn (): string => 'Nothing');
});
$app->handleRequest(Request::create('http://127.0.0.1/bare'));
