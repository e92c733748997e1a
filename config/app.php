<?php

declare(strict_types=1);

return [
    'name' => 'Honest Core',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8080'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'maintenance' => ['driver' => 'file'],

    /* Shows the demo's accounts on the sign-in page; never set it where real data lives. */
    'demo' => (bool) env('APP_DEMO', false),

    /* Address of a lab's or courier's interface, as http://127.0.0.1:8090; and whether what it says is made up. */
    'lab_service' => env('LAB_SERVICE_URL'),
    'probe_service' => env('PROBE_SERVICE_URL'),
    'probe_service_simulated' => (bool) env('PROBE_SERVICE_SIMULATED', false),
    'lab_service_simulated' => (bool) env('LAB_SERVICE_SIMULATED', false),
];
