<?php

declare(strict_types=1);

require __DIR__.'/../vendor/autoload.php';

// Each of the workers that run beside each other has a database of its own.
$worker = getenv('TEST_TOKEN');
if (is_string($worker) && $worker !== '') {
    $_SERVER['DB_DATABASE'] = $_ENV['DB_DATABASE'] = 'heronstem_test_'.$worker;
    putenv('DB_DATABASE=heronstem_test_'.$worker);
}
