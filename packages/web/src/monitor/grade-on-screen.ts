import { KB, KG, KR } from '@tidy-reel/core/pictures/grade/bt709'
import type { Grade } from '@tidy-reel/core/pictures/grade/grade'
import { LUT_SCALE, LUT_SIDE } from '@tidy-reel/core/pictures/grade/lut'
import {
  GRAIN_STEPS,
  grainOf,
  overlaidOf,
  VIGNETTE_DARKEST,
  VIGNETTE_FREE,
} from '@tidy-reel/core/pictures/grade/overlaid'

/** What is to be graded. */
export interface Ungraded {
  /** Already as large as it is seen. */
  picture: OffscreenCanvas
  grade: Grade
  /** Number of its frame: grain moves with it. */
  n: number
  /** Pixels of the monitor a pixel of the film has, at most 1. */
  fine: number
}

const VERTEX = `#version 300 es
out vec2 place;
void main() {
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1) * 2.0;
  place = vec2(corner.x, 1.0 - corner.y);
  gl_Position = vec4(corner * 2.0 - 1.0, 0.0, 1.0);
}`

/** As `gradePixels` of the core, whose words stand there. */
const FRAGMENT = `#version 300 es
precision highp float;
precision highp sampler3D;
in vec2 place;
out vec4 seen;
uniform sampler2D picture;
uniform sampler3D table;
uniform float vignette;
uniform float grain;
uniform float seed;
const float SIDE = ${LUT_SIDE}.0;

float noise(vec2 at) {
  uvec2 q = uvec2(at) * uvec2(1597334673u, 3812015801u) + uint(seed) * 2654435769u;
  uint n = (q.x ^ q.y) * 1597334673u;
  n = (n ^ (n >> 15)) * 2246822519u;
  return float(n ^ (n >> 13)) / 4294967295.0;
}

void main() {
  vec3 rgb = texture(picture, place).rgb;
  float luma = dot(rgb, vec3(${KR}, ${KG}, ${KB}));
  vec3 yuv = vec3(
    16.0 + 219.0 * luma,
    128.0 + 224.0 * (rgb.b - luma) / ${2 * (1 - KB)},
    128.0 + 224.0 * (rgb.r - luma) / ${2 * (1 - KR)}
  );
  yuv = texture(table, (yuv / 8.0 + 0.5) / SIDE).rgb * 255.0;
  vec2 way = place * 2.0 - 1.0;
  float t = clamp((length(way) / sqrt(2.0) - ${VIGNETTE_FREE}) / ${1 - VIGNETTE_FREE}, 0.0, 1.0);
  float light = 1.0 - vignette * ${VIGNETTE_DARKEST} * t * t * (3.0 - 2.0 * t);
  vec3 rest = vec3(16.0, 128.0, 128.0);
  yuv = rest + (yuv - rest) * light;
  vec2 at = gl_FragCoord.xy;
  yuv.x += 2.0 * grain * (noise(at) + noise(at + 4096.0) + noise(at + 8192.0) - 1.5);
  float shown = (yuv.x - 16.0) / 219.0;
  float blue = (yuv.y - 128.0) / 224.0 * ${2 * (1 - KB)};
  float red = (yuv.z - 128.0) / 224.0 * ${2 * (1 - KR)};
  seen = vec4(
    shown + red,
    shown - (${KB} * blue + ${KR} * red) / ${KG},
    shown + blue,
    1.0
  );
}`

interface OnScreen {
  /** @returns undefined where the graphics processor has gone */
  graded(
    ungraded: Ungraded,
    colours: { name: string; table: Int16Array },
  ): OffscreenCanvas | undefined
  close(): void
}

/** Grades on the graphics processor. @returns undefined where there is none to be had */
export function gradeOnScreen(): OnScreen | undefined {
  const canvas = new OffscreenCanvas(2, 2)
  const gl = canvas.getContext('webgl2', { alpha: false, preserveDrawingBuffer: true })
  const program = gl && programOf(gl)
  if (!gl || !program) return undefined
  gl.useProgram(program)
  const place = (name: string) => gl.getUniformLocation(program, name)
  const places = {
    vignette: place('vignette'),
    grain: place('grain'),
    seed: place('seed'),
  }
  gl.uniform1i(place('picture'), 0)
  gl.uniform1i(place('table'), 1)
  const picture = textureOf(gl, gl.TEXTURE_2D, gl.TEXTURE0)
  const table = textureOf(gl, gl.TEXTURE_3D, gl.TEXTURE1)
  let loaded = ''
  return {
    graded({ picture: source, grade, n, fine }, colours) {
      if (gl.isContextLost()) return undefined
      if (canvas.width !== source.width || canvas.height !== source.height)
        Object.assign(canvas, { width: source.width, height: source.height })
      gl.viewport(0, 0, canvas.width, canvas.height)
      if (loaded !== colours.name) {
        loadTable(gl, colours.table)
        loaded = colours.name
      }
      gl.activeTexture(gl.TEXTURE0)
      gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, gl.RGBA, gl.UNSIGNED_BYTE, source)
      const { vignette, grain } = overlaidOf(grade)
      gl.uniform1f(places.vignette, vignette / 100)
      gl.uniform1f(places.grain, (GRAIN_STEPS * grain * fine) / 100)
      gl.uniform1f(places.seed, grainOf(n))
      gl.drawArrays(gl.TRIANGLES, 0, 3)
      return canvas
    },
    close() {
      gl.deleteTexture(picture)
      gl.deleteTexture(table)
      gl.deleteProgram(program)
      gl.getExtension('WEBGL_lose_context')?.loseContext()
    },
  }
}

function programOf(gl: WebGL2RenderingContext): WebGLProgram | undefined {
  const program = gl.createProgram()
  for (const [kind, source] of [
    [gl.VERTEX_SHADER, VERTEX],
    [gl.FRAGMENT_SHADER, FRAGMENT],
  ] as const) {
    const shader = gl.createShader(kind)
    if (!shader) return undefined
    gl.shaderSource(shader, source)
    gl.compileShader(shader)
    gl.attachShader(program, shader)
  }
  gl.linkProgram(program)
  return gl.getProgramParameter(program, gl.LINK_STATUS) ? program : undefined
}

function textureOf(gl: WebGL2RenderingContext, kind: GLenum, unit: GLenum): WebGLTexture {
  const texture = gl.createTexture()
  gl.activeTexture(unit)
  gl.bindTexture(kind, texture)
  gl.texParameteri(kind, gl.TEXTURE_MIN_FILTER, gl.LINEAR)
  gl.texParameteri(kind, gl.TEXTURE_MAG_FILTER, gl.LINEAR)
  for (const side of [gl.TEXTURE_WRAP_S, gl.TEXTURE_WRAP_T, gl.TEXTURE_WRAP_R])
    gl.texParameteri(kind, side, gl.CLAMP_TO_EDGE)
  return texture
}

/** Half floats: eight bits would round each point before anything is interpolated between them. */
function loadTable(gl: WebGL2RenderingContext, table: Int16Array) {
  const points = new Float32Array((table.length / 3) * 4)
  for (let i = 0; i < table.length / 3; i++)
    for (let c = 0; c < 3; c++) points[4 * i + c] = table[3 * i + c]! / (LUT_SCALE * 255)
  gl.activeTexture(gl.TEXTURE1)
  const side = LUT_SIDE
  gl.texImage3D(gl.TEXTURE_3D, 0, gl.RGBA16F, side, side, side, 0, gl.RGBA, gl.FLOAT, points)
}
