<?php

declare(strict_types=1);

namespace App\Support;

use App\Http\Body;
use App\Http\OneOfSeveral;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Process\Change\ChangeTask;
use Dithermic\Core\Process\Change\Hose;
use Dithermic\Core\Process\Change\Position;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Quality\FlawPlace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Routing\Route as RouteOfOne;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;
use OpenApi\Generator;
use ReflectionClass;
use ReflectionMethod;
use ReflectionNamedType;
use RuntimeException;

/** The one contract: OpenAPI 3.1 from the Data classes' and controllers' attributes and from the core's own schemas. */
#[OA\OpenApi(openapi: '3.1.0')]
#[OA\Info(
    version: '1',
    title: 'Dithermic',
    description: 'Everything the screens use. Scripts and instruments use the same paths with a token.',
)]
#[OA\Server(url: '/api/v1')]
final readonly class Contract
{
    /** @var list<class-string> values of the core that answers hold */
    private const ANSWERED = [
        Figure::class, Role::class, ChangeTask::class, Position::class, Hose::class, FlawPlace::class,
    ];

    /** The sign-in itself is all that stands open. */
    private const OPEN = ['/session', '/session/pin'];

    private Registry $calculations;

    public function __construct()
    {
        // The shapes do not depend on a shop's own values: no database is asked.
        $this->calculations = new Registry;
    }

    public function json(): string
    {
        $file = storage_path('openapi.json');

        return is_file($file) && ! app()->runningUnitTests() ? (string) file_get_contents($file) : $this->encode();
    }

    public function write(string $file): void
    {
        file_put_contents($file.'.part', $this->encode());
        rename($file.'.part', $file);
    }

    private function encode(): string
    {
        return json_encode(
            $this->build(),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /** @return array<string, mixed> */
    public function build(): array
    {
        $generated = Generator::scan(
            [app_path()],
            ['version' => '3.1.0', 'validate' => false],
        );
        if ($generated === null) {
            throw new RuntimeException('no contract could be made');
        }
        /** @var array<string, mixed> $document */
        $document = json_decode($generated->toJson(), true);
        foreach (self::answers() as $name => $class) {
            if (isset($document['components']['schemas'][$name])) {
                $schema = self::always($document['components']['schemas'][$name], $class);
                $document['components']['schemas'][$name] = $schema;
            }
        }
        $document = self::asked($document);
        $document['components']['schemas']['MaterialInput'] = Schema::of(MaterialInput::class);
        foreach (self::ANSWERED as $class) {
            $schema = Schema::of($class);
            // What is answered is there, whether or not it could be left out of a question.
            $document['components']['schemas'][substr((string) strrchr($class, '\\'), 1)] = ['required' => array_keys(
                (array) $schema['properties'],
            )] + $schema;
        }
        foreach (array_keys($this->calculations->list()) as $name) {
            $shape = $this->calculations->schema($name);
            $key = Str::studly(str_replace('.', '_', $name));
            $document['components']['schemas']["{$key}Input"] = self::materialOnce($shape['input']);
            $document['components']['schemas']["{$key}Result"] = $shape['result'];
            $document['paths']["/calc/{$name}"] = ['post' => [
                'operationId' => 'calc'.$key, 'summary' => $shape['purpose'], 'tags' => ['calc'],
                'requestBody' => [
                    'required' => true,
                    'content' => ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$key}Input"]]],
                ],
                'responses' => ['200' => [
                    'description' => 'the answer',
                    'content' => ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$key}Result"]]],
                ],
                    '422' => ['description' => 'refused, naming the field']],
            ]];
        }
        ksort($document['components']['schemas']);
        ksort($document['paths']);

        return self::asObjects(self::guarded($document));
    }

    /** @return array<string, class-string> every Data class by its name */
    private static function answers(): array
    {
        $found = [];
        foreach (glob(app_path('*/Data/*.php')) ?: [] as $file) {
            $name = basename($file, '.php');
            /** @var class-string $class */
            $class = 'App\\'.basename(dirname($file, 2)).'\\Data\\'.$name;
            $found[$name] = $class;
        }

        return $found;
    }

    /**
     * Every field of a Data class is always sent; a nullable one may be null.
     *
     * @param  array<string, mixed>  $schema
     * @param  class-string  $class
     * @return array<string, mixed>
     */
    private static function always(array $schema, string $class): array
    {
        $parameters = (new ReflectionClass($class))->getConstructor()?->getParameters() ?? [];
        $schema['required'] = array_map(static fn ($p): string => $p->name, $parameters);
        foreach ($parameters as $p) {
            $allowsNull = $p->getType() instanceof ReflectionNamedType && $p->getType()->allowsNull();
            if ($allowsNull && isset($schema['properties'][$p->name]['$ref'])) {
                $schema['properties'][$p->name] = [
                    'anyOf' => [$schema['properties'][$p->name], ['type' => 'null']],
                ];
            }
        }

        return $schema;
    }

    /**
     * What each path takes: its places from the route, its body or its query from the rules that check it.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function asked(array $document): array
    {
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $path = '/'.Str::after($route->uri(), 'api/v1/');
            $method = strtolower($route->methods()[0]);
            if (! isset($document['paths'][$path][$method])) {
                continue;
            }
            $operation = &$document['paths'][$path][$method];
            $body = self::bodyOf($route);
            $parameters = [
                ...self::inPath($route),
                ...($operation['parameters'] ?? []),
                ...($body !== null && $method === 'get' ? self::inQuery($body) : []),
            ];
            if ($parameters !== []) {
                $operation['parameters'] = $parameters;
            }
            // What is uploaded, and what is checked row by row, describes itself.
            if ($body !== null && $method !== 'get' && ! isset($operation['requestBody'])) {
                $name = class_basename($body);
                $document['components']['schemas'][$name] = self::bodySchema($body);
                $operation['requestBody'] = [
                    'required' => true,
                    'content' => ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$name}"]]],
                ];
            }
            unset($operation);
        }

        return $document;
    }

    /** @return list<array<string, mixed>> the places of a path, as the route lets them be */
    private static function inPath(RouteOfOne $route): array
    {
        $counted = [];
        foreach ($route->signatureParameters(['subClass' => Model::class]) as $parameter) {
            /** @var class-string<Model> $model */
            $model = (string) $parameter->getType();
            $counted[$parameter->getName()] = (new $model)->getKeyType() === 'int';
        }

        return array_values(array_map(static function (string $name) use ($route, $counted): array {
            $pattern = $route->wheres[$name] ?? '';
            $choices = preg_match('/^[a-z]+(\|[a-z]+)*$/', $pattern) === 1 ? explode('|', $pattern) : [];

            return [
                'name' => $name,
                'in' => 'path',
                'required' => true,
                'schema' => match (true) {
                    $choices !== [] => ['type' => 'string', 'enum' => $choices],
                    $counted[$name] ?? false => ['type' => 'integer'],
                    default => ['type' => 'string'],
                },
            ];
        }, $route->parameterNames()));
    }

    private static function bodyOf(RouteOfOne $route): ?Body
    {
        $class = $route->getControllerClass();
        if ($class === null) {
            return null;
        }
        $action = $route->getActionMethod() === $class ? '__invoke' : $route->getActionMethod();
        foreach ((new ReflectionMethod($class, $action))->getParameters() as $parameter) {
            $type = $parameter->getType();
            if ($type instanceof ReflectionNamedType && is_subclass_of($type->getName(), Body::class)) {
                return new ($type->getName());
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    private static function bodySchema(Body $body): array
    {
        if (! $body instanceof OneOfSeveral) {
            return RulesSchema::of($body->rules(), $body::says());
        }

        return ['oneOf' => array_map(
            static fn (array $rules): array => RulesSchema::of($rules, $body::says()),
            array_values($body::several()),
        )];
    }

    /** @return list<array<string, mixed>> */
    private static function inQuery(Body $body): array
    {
        $schema = RulesSchema::of($body->rules(), $body::says());
        $parameters = [];
        foreach ((array) $schema['properties'] as $name => $its) {
            $parameters[] = array_filter([
                'name' => $name,
                'in' => 'query',
                'description' => $its['description'] ?? null,
                'schema' => array_diff_key($its, ['description' => true]),
            ]);
        }

        return $parameters;
    }

    /**
     * Who may ask, and what a refusal looks like: the same for every path, said once.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function guarded(array $document): array
    {
        $document['components']['securitySchemes'] = [
            'session' => [
                'type' => 'apiKey',
                'in' => 'cookie',
                'name' => 'dithermic_session',
                'description' => 'a person who signed in; a change also carries X-XSRF-TOKEN',
            ],
            'token' => [
                'type' => 'http',
                'scheme' => 'bearer',
                'description' => 'a script or an instrument, by its scopes',
            ],
        ];
        $document['security'] = [['session' => []], ['token' => []]];
        foreach ($document['paths'] as $path => &$operations) {
            foreach ($operations as &$operation) {
                if (in_array($path, self::OPEN, true)) {
                    $operation['security'] = [];
                }
                if (preg_grep('/^4/', array_map(strval(...), array_keys($operation['responses']))) === []) {
                    $operation['responses']['4XX'] = [
                        'description' => 'refused: the field, the reason and what to do',
                        'content' => ['application/json' => ['schema' => [
                            'type' => 'object',
                            'required' => ['error'],
                            'properties' => ['error' => ['$ref' => '#/components/schemas/ErrorBodyData']],
                        ]]],
                    ];
                }
            }
        }

        return $document;
    }

    /**
     * What is an empty object in the contract comes out of JSON as an empty list.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function asObjects(array $document): array
    {
        foreach ($document as $key => $value) {
            if (! is_array($value)) {
                continue;
            }
            $isObject = in_array($key, ['additionalProperties', 'application/octet-stream'], true);
            $document[$key] = $value === [] && $isObject ? (object) [] : self::asObjects($value);
        }

        return $document;
    }

    /**
     * A polymer's properties stand level with an input's own fields; the contract says them once.
     *
     * @param  array<string, mixed>  $input
     * @return array<string, mixed>
     */
    private static function materialOnce(array $input): array
    {
        /** @var array<string, mixed> $material */
        $material = array_map(
            static fn (array $property): array => $property + ['x-part' => 'material'],
            Schema::of(MaterialInput::class)['properties'],
        );
        $given = (array) $input['properties'];
        if (array_intersect_key($given, $material) != $material) {
            return $input;
        }
        $own = array_diff_key($given, $material);

        return [
            'allOf' => [
                ['$ref' => '#/components/schemas/MaterialInput'],
                ['properties' => $own === [] ? (object) [] : $own] + $input,
            ],
        ];
    }
}
