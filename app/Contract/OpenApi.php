<?php

declare(strict_types=1);

namespace App\Contract;

use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Routing\Router;
use Illuminate\Support\Str;
use LogicException;
use ReflectionMethod;

/**
 * The contract, read off the routes, the shapes of their requests and what
 * their controllers say of themselves: OpenAPI 3.1.
 */
final readonly class OpenApi
{
    public const EDITION = '2';

    /** What files are, by the end of their address. */
    private const FILES = [
        'pdf' => 'application/pdf',
        'svg' => 'image/svg+xml',
        'csv' => 'text/csv',
        'json' => 'application/json',
        'zip' => 'application/zip',
    ];

    private const WRITES = ['POST', 'PUT', 'PATCH', 'DELETE'];

    public function __construct(private Router $router, private ShapeReader $shapes, private TypeNames $names)
    {
    }

    /** @return array<int|string, mixed> */
    public function document(): array
    {
        $schemas = new JsonSchema($this->shapes);
        $answers = new AnswerSchema($this->names, new FileSchema(base_path(FileParts::SCHEMA)));
        $paths = [];
        foreach ($this->routes() as $route) {
            $path = '/'.preg_replace('~\{(\w+)\??\}~', '{$1}', $route->uri());
            foreach (array_diff($route->methods(), ['HEAD', 'OPTIONS']) as $method) {
                $paths[$path][strtolower($method)] = $this->operation($route, $method, $schemas, $answers);
            }
        }
        ksort($paths);

        return [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Sartal',
                'version' => self::EDITION,
                'description' => 'What browsers and other programs may ask, and what they may send. Within an edition '.
                    'nothing is taken away and nothing that was accepted is refused for its shape; fields and '.
                    'addresses may come. Fields that are not known are left unread. Text loses blanks at its ends, '.
                    'and empty text is as null. An answer that has an ETag and is asked for again with it '.
                    '(If-None-Match) is 304 where it still holds.',
            ],
            'paths' => $paths,
            'components' => [
                'schemas' => self::together($schemas->named(), $answers->named(), ['Refusal' => self::refusal()]),
                'responses' => [
                    'Refused' => [
                        'description' => 'Nothing was written. It says why, field by field where it is about fields.',
                        'content' => [
                            'application/json' => ['schema' => ['$ref' => '#/components/schemas/Refusal']],
                        ],
                    ],
                ],
            ],
        ];
    }

    /**
     * @param  array<int|string, array<int|string, mixed>>  ...$parts
     * @return array<int|string, array<int|string, mixed>>
     */
    private static function together(array ...$parts): array
    {
        $all = [];
        foreach ($parts as $part) {
            $twice = array_intersect_key($all, $part);
            if ($twice !== []) {
                throw new LogicException(sprintf('%s is the name of two things.', implode(', ', array_keys($twice))));
            }
            $all = [...$all, ...$part];
        }
        ksort($all);

        return $all;
    }

    /** @return list<Route> that belong to the contract */
    public function routes(): array
    {
        return array_values(
            array_filter(
                $this->router->getRoutes()->getRoutes(),
                static fn (Route $route): bool => str_starts_with($route->uri(), 'api/') &&
                    $route->getActionName() !== 'Closure',
            ),
        );
    }

    /** @return ?class-string<Shape> what its requests carry */
    public function shape(Route $route): ?string
    {
        return self::attributed($route, Body::class)?->shape;
    }

    /** @return ?class-string<Shape> what its address may ask after "?" */
    public function query(Route $route): ?string
    {
        return self::attributed($route, Query::class)?->shape;
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $attribute
     * @return ?T of one of the controller's parameters
     */
    private static function attributed(Route $route, string $attribute): ?object
    {
        foreach (self::method($route)->getParameters() as $parameter) {
            $found = $parameter->getAttributes($attribute)[0] ?? null;
            if ($found !== null) {
                return $found->newInstance();
            }
        }

        return null;
    }

    /** @return array<int|string, mixed> */
    private function operation(Route $route, string $verb, JsonSchema $schemas, AnswerSchema $answers): array
    {
        $method = self::method($route);
        $class = Str::of($method->class)->after('App\\Http\\Controllers\\');
        $shape = $this->shape($route);
        $carries = ($method->getAttributes(Carries::class)[0] ?? null)?->newInstance();
        $answer = $answers->of($method);

        return array_filter([
            'operationId' => implode('.', [
                $class->replace('\\', '.')->replace('Controller', ''),
                $method->name,
                strtolower($verb),
            ]),
            'tags' => [$class->contains('\\') ? $class->before('\\')->toString() : 'Who'],
            'summary' => Docblock::summary($method),
            'parameters' => [...self::parameters($route, $verb), ...$this->asked($route, $schemas)],
            'x-roles' => self::roles($route),
            'requestBody' => match (true) {
                $shape !== null => self::body($schemas->of($shape), $this->hasFile($shape)),
                $carries !== null => self::body(['type' => 'object', 'x-file' => $carries->of], false),
                default => [],
            },
            'responses' => [
                '2XX' => [
                    'description' => $answer === null ? 'As a file.' : 'As JSON.',
                    'content' => $answer === null
                            ? [self::FILES[pathinfo($route->uri(), PATHINFO_EXTENSION)] ?? '*/*' => (object) []]
                            : ['application/json' => ['schema' => $answer]],
                ],
                '4XX' => ['$ref' => '#/components/responses/Refused'],
            ],
        ]);
    }

    /**
     * @param  array<int|string, mixed>  $schema
     * @return array<int|string, mixed>
     */
    private static function body(array $schema, bool $isForm): array
    {
        return [
            'required' => true,
            'content' => [$isForm ? 'multipart/form-data' : 'application/json' => ['schema' => $schema]],
        ];
    }

    /** @param  class-string<Shape>  $shape */
    private function hasFile(string $shape): bool
    {
        foreach ($this->shapes->fields($shape) as $field) {
            if (str_contains((string) $field->type, UploadedFile::class)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array<int|string, mixed>> */
    private static function parameters(Route $route, string $verb): array
    {
        $all = [];
        foreach ($route->parameterNames() as $name) {
            $pattern = $route->wheres[$name] ?? '[^/]+';
            $all[] = [
                'name' => $name,
                'in' => 'path',
                'required' => true,
                'schema' => ['type' => 'string', 'pattern' => '^(?:'.$pattern.')$'],
            ];
        }
        if (in_array($verb, self::WRITES, true)) {
            foreach (
                [
                    'X-XSRF-TOKEN' => 'From the cookie XSRF-TOKEN: no other page has it.',
                    'Sartal-Person' => 'Whose page it is; where somebody else is signed in by now, nothing is written.',
                ] as $name => $words
            ) {
                $all[] = ['name' => $name, 'in' => 'header', 'description' => $words, 'schema' => ['type' => 'string']];
            }
        }

        return $all;
    }

    /** @return list<array<int|string, mixed>> */
    private function asked(Route $route, JsonSchema $schemas): array
    {
        $shape = $this->query($route);
        if ($shape === null) {
            return [];
        }
        $all = [];
        foreach ($schemas->properties($shape) as $name => $schema) {
            $all[] = [
                'name' => $name,
                'in' => 'query',
                'required' => in_array($name, $schemas->required($shape), true),
                'schema' => $schema,
            ];
        }

        return $all;
    }

    /** @return list<string> who may, by role; none: whoever is signed in, or whoever holds the link */
    private static function roles(Route $route): array
    {
        $roles = null;
        foreach ($route->gatherMiddleware() as $middleware) {
            if (is_string($middleware) && str_starts_with($middleware, 'role:')) {
                $these = explode(',', substr($middleware, 5));
                $roles = $roles === null ? $these : array_values(array_intersect($roles, $these));
            }
        }

        return $roles ?? [];
    }

    /** @return array<int|string, mixed> */
    private static function refusal(): array
    {
        return [
            'type' => 'object',
            'description' => 'One shape for everything that is refused.',
            'required' => ['message'],
            'properties' => [
                'message' => ['type' => 'string', 'minLength' => 1, 'description' => 'What is wrong, and what to do.'],
                'errors' => [
                    'type' => 'object',
                    'description' => 'Field → what is wrong with it: its value, and the remedy.',
                    'additionalProperties' => ['type' => 'array', 'items' => ['type' => 'string', 'minLength' => 1]],
                ],
                'problems' => [
                    'type' => 'array',
                    'description' => 'Of files and parts of them: every place that is wrong.',
                ],
                'yours' => ['description' => 'Of a write that came too late: what was sent.'],
                'theirs' => ['description' => 'Of a write that came too late: what is there.'],
                'version' => [
                    'type' => ['integer', 'null'],
                    'description' => 'Of what is there, to write over it; null: there is nothing any more.',
                ],
            ],
        ];
    }

    private static function method(Route $route): ReflectionMethod
    {
        $action = $route->getActionName();
        [$class, $method] = str_contains($action, '@') ? explode('@', $action, 2) : [$action, '__invoke'];

        return new ReflectionMethod($class, $method);
    }
}
