<?php

declare(strict_types=1);

use App\Http\Site\FileResponse;
use App\Http\Site\PreviewController;
use Illuminate\Support\Facades\Route;

Route::get('_files/{file}/{name}', FileResponse::class);
Route::get('preview/{site}/{page}', PreviewController::class)->scopeBindings()->middleware('auth:web');
Route::view('{path?}', 'editor')->where('path', '(?!api/).*');
