<?php

declare(strict_types=1);

use App\Http\GuideController;
use App\Http\Site\EditorFile;
use App\Http\Site\PreviewController;
use App\Http\Site\RoomController;
use Illuminate\Support\Facades\Route;

Route::get('_files/{file}/{name}', EditorFile::class)->middleware(['auth:web', 'can:see,file']);
Route::get('preview/{site}/{page}', PreviewController::class)
    ->scopeBindings()
    ->middleware(['auth:web', 'can:see,site', 'can:may,page,"see"']);
Route::get('room/{site}/{page}', RoomController::class)
    ->scopeBindings()
    ->middleware(['auth:web', 'can:see,site', 'can:may,page,"see"']);
Route::get('guide/pictures/{name}.png', [GuideController::class, 'picture'])->where('name', '[a-z-]+');
Route::get('guide/{task}', [GuideController::class, 'show'])->where('task', '[a-z-]+');
Route::view('{path?}', 'editor')->where('path', '(?!api/).*');
