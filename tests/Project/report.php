<?php

declare(strict_types=1);

/* Signs in to the demo at argv[1] and sends the file argv[2] as a report of its first lab; ends with 0 when it was taken. */
[, $address, $file] = $argv;
$curl = curl_init();
curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEFILE => '']);
$token = static function () use ($curl): string {
    foreach ((array) curl_getinfo($curl, CURLINFO_COOKIELIST) as $line) {
        $parts = explode("\t", (string) $line);
        if (($parts[5] ?? '') === 'XSRF-TOKEN') {
            return urldecode($parts[6] ?? '');
        }
    }

    return '';
};
/** @param list<string> $headers */
$send = static function (string $method, string $path, mixed $body, array $headers) use ($curl, $address, $token): int {
    curl_setopt($curl, CURLOPT_URL, "{$address}/{$path}");
    curl_setopt($curl, CURLOPT_CUSTOMREQUEST, $method === 'GET' ? 'GET' : 'POST');
    curl_setopt($curl, CURLOPT_HTTPHEADER, ['Accept: application/json', 'X-XSRF-TOKEN: '.$token(), ...$headers]);
    if ($body !== null) {
        curl_setopt($curl, CURLOPT_POSTFIELDS, $body);
    }
    curl_exec($curl);

    return (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
};
$send('GET', 'api/welcome', null, []);
$send(
    'POST',
    'api/session',
    json_encode(['email' => 'maren@demo.example', 'password' => 'soil-and-lime'], JSON_THROW_ON_ERROR),
    ['Content-Type: application/json'],
);
$status = $send(
    'POST',
    'api/reports',
    ['file' => new CURLFile($file, 'text/csv', basename($file).'.csv'), 'lab_id' => '1', 'read_on' => '2026-11-20'],
    [],
);
exit($status === 201 || $status === 200 ? 0 : 1);
