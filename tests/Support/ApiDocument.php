<?php

declare(strict_types=1);

namespace Tests\Support;

use JsonSchema\Constraints\Factory;
use JsonSchema\SchemaStorage;
use JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\Yaml\Yaml;

/** The OpenAPI document, as a judge of answers. */
final class ApiDocument
{
    private const PLACE = 'file:///api';

    private static ?object $document = null;

    public static function get(): object
    {
        return self::$document ??= json_decode(
            json_encode(Yaml::parseFile(__DIR__.'/../../docs/openapi.yaml'), JSON_THROW_ON_ERROR),
        );
    }

    public static function assertMatches(
        string $method,
        string $path,
        int $status,
        string $content,
        string $type = 'application/json',
    ): void {
        $operation = self::get()->paths->{$path}->{strtolower($method)} ?? null;
        Assert::assertNotNull($operation, "{$method} {$path} is not in the document.");
        $response =
            $operation->responses->{(string) $status} ??
            ($status === 200 || $status >= 400 ? $operation->responses->default : null);
        if ($status === 200 && ! isset($operation->responses->{'200'})) {
            $response = $operation->responses->{'201'} ?? null;
        }
        Assert::assertNotNull($response, "{$method} {$path} answers {$status}, which is not in the document.");
        Assert::assertLessThan(500, $status, $content);
        $schema = $response->content->{$type}->schema ?? null;
        if ($schema === null) {
            Assert::assertSame('', $content);

            return;
        }
        $storage = new SchemaStorage();
        $storage->addSchema(self::PLACE, self::get());
        $answer = json_decode($content);
        $validator = new Validator(new Factory($storage));
        $validator->validate($answer, self::placed($schema));
        $wrong = array_map(
            static fn (array $error): string => "{$error['property']}: {$error['message']}",
            $validator->getErrors(),
        );
        Assert::assertSame([], $wrong, "{$method} {$path} {$status}: ".substr($content, 0, 400));
    }

    /** The schema with its references made absolute. */
    private static function placed(object $schema): object
    {
        return json_decode(
            str_replace(
                '"#\/components',
                '"'.addcslashes(self::PLACE, '/').'#\/components',
                json_encode($schema, JSON_THROW_ON_ERROR),
            ),
        );
    }
}
