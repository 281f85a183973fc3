document.body.append('hi')
