<?php

declare(strict_types=1);

require __DIR__.'/../vendor/autoload.php';

// Each of the workers that run beside each other has a database of its own; those that run errands a whole demo.
$worker = getenv('TEST_TOKEN');
if (is_string($worker) && $worker !== '') {
    $errands = getenv("ERRANDS_$worker");
    foreach (
        is_string($errands) && $errands !== '' ? json_decode($errands, true, flags: JSON_THROW_ON_ERROR) : ['DB_DATABASE' => "heronstem_test_$worker"] as $name => $value
    ) {
        $_SERVER[$name] = $_ENV[$name] = $value;
        putenv("$name=$value");
    }
}
