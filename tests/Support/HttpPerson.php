<?php

declare(strict_types=1);

namespace Tests\Support;

/** Somebody at a browser of their own: cookies, the token against forged requests, JSON or a file. */
final class HttpPerson
{
    private readonly \CurlHandle $curl;

    /** @var array<string, list<string>> of the last answer, by lower-case name */
    public array $headers = [];

    public function __construct(private readonly string $address, int $patienceS = 30)
    {
        $this->curl = curl_init();
        curl_setopt_array($this->curl, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEFILE => '',
            CURLOPT_TIMEOUT => $patienceS,
            CURLOPT_HEADERFUNCTION => function ($curl, string $line): int {
                [$name, $value] = explode(':', "{$line}:", 2);
                $this->headers[strtolower(trim($name))][] = trim($value, ": \r\n");

                return strlen($line);
            },
        ]);
    }

    public function signIn(string $email, string $password = 'soil-and-lime'): int
    {
        $this->ask('GET', '/api/welcome');

        return $this->json('POST', '/api/session', ['email' => $email, 'password' => $password])[0];
    }

    /**
     * @param array<string, mixed>|null $body
     * @return array{int, array<mixed>} status, 0 where nobody answered, and what was said
     */
    public function json(string $method, string $path, ?array $body = null): array
    {
        [$status, $said] = $this->ask($method, $path, $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR));

        return [$status, (array) json_decode($said, true)];
    }

    /**
     * @param string|array<string, string|\CURLStringFile|\CURLFile> $body JSON as text, or the fields of a form
     * @return array{int, string}
     */
    public function ask(string $method, string $path, string|array $body = ''): array
    {
        $token = '';
        foreach ((array) curl_getinfo($this->curl, CURLINFO_COOKIELIST) as $line) {
            $parts = explode("\t", is_string($line) ? $line : '');
            $token = ($parts[5] ?? '') === 'XSRF-TOKEN' ? urldecode($parts[6] ?? '') : $token;
        }
        $this->headers = [];
        assert($this->address !== '' && $method !== '');
        curl_setopt($this->curl, CURLOPT_URL, $this->address.$path);
        curl_setopt($this->curl, CURLOPT_CUSTOMREQUEST, $method);
        curl_setopt($this->curl, CURLOPT_POSTFIELDS, $body);
        curl_setopt($this->curl, CURLOPT_HTTPHEADER, [
            'Accept: application/json',
            "X-XSRF-TOKEN: {$token}",
            ...is_string($body) ? ['Content-Type: application/json'] : [],
        ]);
        $said = curl_exec($this->curl);

        return [(int) curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE), is_string($said) ? $said : ''];
    }
}
