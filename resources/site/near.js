// Where nothing is, pages with similar addresses are offered to whoever looks; without this script a link leads to them.
const near = document.getElementById('near')
const link = near?.querySelector('a')
if (link)
    fetch(`${link.href}&part=1`)
        .then(answer => (answer.ok ? answer.text() : Promise.reject()))
        .then(html => {
            near.innerHTML = html
        })
        .catch(() => undefined)
